import { tookOff } from "../../../core/book/acts/index.ts";
import { outOpen } from "../../../core/book/out/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import { moveTick } from "../stage/tick-id.ts";

const HOSES = ["upper", "lower", "heater", "bypass", "overflow", "expansion"];
const CLAMPS = ["spring clamp", "worm-drive clamp", "clip-in", "one-ear clamp"];

/** A hose with the kind of its clamp and where that sat: on an old hose it goes back exactly there. */
export function HosePad() {
  const { page, entries, book, mayBook } = useJob();
  const [hose, setHose] = useDraft(`hose:${page.job.id}`, "upper");
  const [clamp, setClamp] = useDraft(`clamp:${page.job.id}`, "spring clamp");
  const [sat, setSat] = useDraft(`clamp-sat:${page.job.id}`);
  const which = { account: "hose" as const, item: "hose", place: hose };
  const isOff = outOpen(entries, which) > 0;
  const off = () => {
    const draft = tookOff(which, 1, [clamp, sat.trim().toLowerCase()].filter(Boolean).join(", "));
    if (book(draft, [moveTick(page.job.id, entries, draft)])) setSat("");
  };
  return (
    <div className="flex flex-col gap-3">
      <ChipsOne
        label="Which hose"
        options={HOSES}
        value={hose}
        onChange={(value) => value && setHose(value)}
      />
      <ChipsOne label="Which clamp" options={CLAMPS} value={clamp} onChange={setClamp} />
      <TextField
        label="Where the clamp sat"
        placeholder="ears up, 8 mm from the end"
        maxLength={60}
        value={sat}
        onChange={(event) => setSat(event.target.value)}
      />
      <div>
        <Button onClick={off} disabled={!mayBook || isOff}>
          {hose} hose is off
        </Button>
      </div>
    </div>
  );
}
