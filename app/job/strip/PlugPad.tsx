import { tookOff } from "../../../core/book/acts/index.ts";
import { outOpen } from "../../../core/book/out/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import { moveTick } from "../stage/tick-id.ts";

const SIDES = ["left", "right", "upper", "lower", "middle"];
const SERVES = ["fan", "switch", "sensor", "lamp", "level sensor", "washer", "airbag"];

/** A plug by the side and the wire that it serves: left and right can't be changed over then. */
export function PlugPad() {
  const { page, entries, book, mayBook } = useJob();
  const [side, setSide] = useDraft(`plug-side:${page.job.id}`, "");
  const [serves, setServes] = useDraft(`plug-serves:${page.job.id}`, "fan");
  const [wire, setWire] = useDraft(`plug-wire:${page.job.id}`);
  const place = [side, serves].filter(Boolean).join(" ");
  const plug = { account: "connector" as const, item: "plug", place };
  const isOff = outOpen(entries, plug) > 0;
  const off = () => {
    const draft = tookOff(plug, 1, wire.toLowerCase());
    if (book(draft, [moveTick(page.job.id, entries, draft)])) setWire("");
  };
  return (
    <div className="flex flex-col gap-3">
      <ChipsOne label="Which side" options={SIDES} value={side} onChange={setSide} />
      <ChipsOne
        label="What it serves"
        options={SERVES}
        value={serves}
        onChange={(value) => value && setServes(value)}
      />
      <TextField
        label="Wires, or what tells it from its neighbour"
        placeholder="brown and white, red lock"
        maxLength={60}
        value={wire}
        onChange={(event) => setWire(event.target.value)}
      />
      <div>
        <Button onClick={off} disabled={!mayBook || isOff}>
          {place} plug is off
        </Button>
      </div>
    </div>
  );
}
