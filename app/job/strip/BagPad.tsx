import { useState } from "react";
import { broke, tookOff } from "../../../core/book/acts/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Amount } from "../../ui/Amount.tsx";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import { bagsOffered, learnedFirst, type Pads, sizesSaid } from "./pads.ts";

const SIZES = ["M6×20", "M6×25", "M8×25", "M8×30", "screw", "washer", "nut", "clip"];
/** So many bags are offered before any is used; then one more than there are. */
const FEWEST_BAGS = 6;
const MOST_SIZE = 40;
const DRIVES = ["8 mm", "10 mm", "13 mm", "T25", "T30", "cross"];
const MOST = 40;

/** Fasteners and clips into a bag, with the drive that fits them; what breaks goes onto the list of what is to get. */
export function BagPad({ pads }: { pads: Pads }) {
  const { page, entries, book, mayBook } = useJob();
  const [bag, setBag] = useDraft(`bag:${page.job.id}`, "1");
  const [size, setSize] = useDraft(`size:${page.job.id}`, "M6×20");
  const [drive, setDrive] = useDraft(`drive:${page.job.id}`, "");
  const [count, setCount] = useDraft(`count:${page.job.id}`, 1);
  const [where, setWhere] = useDraft(`where:${page.job.id}`);
  const [other, setOther] = useState("");
  const bags = bagsOffered(entries, FEWEST_BAGS);
  /** A size that is typed is the size in hand as soon as it is left. */
  const takeOther = () => {
    if (other.trim()) setSize(other.trim());
    setOther("");
  };
  const isClip = /clip/.test(size);
  const said = [where.trim().toLowerCase(), isClip ? "" : drive].filter(Boolean).join(", ");
  const into = {
    account: isClip ? ("clip" as const) : ("fastener" as const),
    item: size,
    place: `bag ${bag}`,
  };
  const put = () => {
    book(tookOff(into, count, said));
    setCount(1);
    setWhere("");
  };
  const broken = () => book(broke(size, count, where));
  return (
    <div className="flex flex-col gap-3">
      <ChipsOne label="Which bag" options={bags} value={bag} onChange={(value) => value && setBag(value)} />
      <ChipsOne
        label="Which size"
        options={learnedFirst([...sizesSaid(entries), ...pads.sizes], SIZES)}
        value={size}
        onChange={(value) => value && setSize(value)}
      />
      {!isClip && <ChipsOne label="Which drive" options={DRIVES} value={drive} onChange={setDrive} />}
      <div className="flex flex-wrap items-end gap-3">
        <fieldset>
          <legend className="font-bold">How many</legend>
          <Amount value={count} most={MOST} onChange={setCount} />
        </fieldset>
        <form
          className="w-36"
          onSubmit={(event) => {
            event.preventDefault();
            takeOther();
          }}
        >
          <TextField
            label="Another size"
            value={other}
            maxLength={MOST_SIZE}
            placeholder="M8×35"
            enterKeyHint="done"
            onChange={(event) => setOther(event.target.value)}
            onBlur={takeOther}
          />
        </form>
        <div className="min-w-36 flex-1">
          <TextField
            label="From where"
            value={where}
            maxLength={60}
            placeholder="airbox"
            onChange={(event) => setWhere(event.target.value)}
          />
        </div>
      </div>
      <div className="flex flex-wrap gap-3">
        <Button onClick={put} disabled={!mayBook}>
          {count} × {size} into bag {bag}
        </Button>
        <Button weight="quiet" onClick={broken} disabled={!mayBook}>
          {count} × {size} broke
        </Button>
      </div>
    </div>
  );
}
