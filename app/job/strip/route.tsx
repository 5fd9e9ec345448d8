import { Minus, Plus } from "lucide-react";
import { partsGate, workOrderOf } from "../../../core/job/index.ts";
import { type Account, stillOut, thing } from "../../../core/ledger/index.ts";
import { useDraft } from "../../shell/drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { later } from "../../ui/later.ts";
import { useJob } from "../context.ts";
import { Tray } from "../Tray.tsx";
import { moveTick } from "../tick-id.ts";
import { Cautions, Work } from "../Work.tsx";
import { PartsGate } from "./PartsGate.tsx";
import { StepInHand } from "./StepInHand.tsx";

const stripTools = later(() => import("./StripTools.tsx"));

/** What comes off most often, in the order in which it does. */
const USUAL: { account: Account; item: string; place?: string }[] = [
  { account: "part", item: "undertray" },
  { account: "part", item: "airbox" },
  { account: "hose", item: "hose", place: "upper" },
  { account: "hose", item: "hose", place: "lower" },
  { account: "connector", item: "plug", place: "left fan" },
  { account: "connector", item: "plug", place: "right fan" },
  { account: "connector", item: "plug", place: "switch" },
  { account: "connector", item: "plug", place: "sensor" },
  { account: "part", item: "shroud" },
  { account: "part", item: "fan" },
  { account: "part", item: "thermostat" },
  { account: "part", item: "radiator" },
];

const SIZES = ["M6×20", "M6×25", "M8×25", "M8×30", "screw", "washer", "nut", "clip"] as const;
const BAGS = ["1", "2", "3", "4", "5", "6"] as const;
const MOST = 40;

function IntoBag() {
  const { page, book, mayBook } = useJob();
  const [bag, setBag] = useDraft(`bag:${page.job.id}`, "1");
  const [size, setSize] = useDraft(`size:${page.job.id}`, "M6×20");
  const [count, setCount] = useDraft(`count:${page.job.id}`, 1);
  const [where, setWhere] = useDraft(`where:${page.job.id}`);
  const put = () => {
    const text = where.trim() ? { text: where.trim().toLowerCase() } : {};
    book({
      kind: "movement",
      account: size === "clip" ? "clip" : "fastener",
      item: size,
      place: `bag ${bag}`,
      out: count,
      ...text,
    });
    setCount(1);
    setWhere("");
  };
  return (
    <section aria-labelledby="bag" className="flex flex-col gap-3">
      <h3 id="bag" className="text-xl">
        Into a bag
      </h3>
      <ChipsOne label="Which bag" options={BAGS} value={bag} onChange={(value) => value && setBag(value)} />
      <ChipsOne
        label="Which size"
        options={SIZES}
        value={size}
        onChange={(value) => value && setSize(value)}
      />
      <div className="flex flex-wrap items-end gap-3">
        <fieldset className="flex items-center gap-2">
          <legend className="font-bold">How many</legend>
          <Button aria-label="One fewer" className="px-3" onClick={() => setCount(Math.max(1, count - 1))}>
            <Minus aria-hidden="true" />
          </Button>
          <output className="figure w-10 text-center text-3xl" aria-live="polite">
            {count}
          </output>
          <Button aria-label="One more" className="px-3" onClick={() => setCount(Math.min(MOST, count + 1))}>
            <Plus aria-hidden="true" />
          </Button>
        </fieldset>
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
      <div>
        <Button onClick={put} disabled={!mayBook}>
          {count} × {size} into bag {bag}
        </Button>
      </div>
    </section>
  );
}

const CAUTIONS = [
  "Engine cold. Stands, not the jack. Battery off near airbag plugs, then wait. Refrigerant lines stay closed.",
];

/** Taking off: by tapping what usually comes off, by the bag, or through the entry line. */
export default function Strip() {
  const { page, entries, book, mayBook } = useJob();
  const lines = stillOut(entries);
  const StripTools = stripTools.use()?.StripTools;
  const gate = partsGate(entries);
  const work = workOrderOf(entries);
  const isOut = (each: (typeof USUAL)[number]) =>
    lines.some(
      (line) => line.account === each.account && line.item === each.item && line.place === (each.place ?? ""),
    );
  return (
    <Work title="What came off?" next={{ label: "On to Build", to: "build" }}>
      <Cautions texts={CAUTIONS} />
      {!gate.isOpen && <PartsGate gate={gate} />}
      {gate.waitsFor.length > 0 && gate.because && (
        <p className="border-ink border-l-4 pl-3">
          Opened without {gate.waitsFor.map(({ words }) => words).join(", ")}: {gate.because}.
        </p>
      )}
      {gate.isOpen && work && <StepInHand work={work} />}
      <div className={`grid gap-x-8 gap-y-6 xl:grid-cols-2 ${gate.isOpen ? "" : "hidden"}`}>
        <section aria-labelledby="usual" className="flex flex-col gap-3">
          <h3 id="usual" className="text-xl">
            Tap what is off
          </h3>
          <div className="grid grid-cols-2 gap-2">
            {USUAL.map((each) => (
              <Button
                key={thing(each)}
                disabled={!mayBook || isOut(each)}
                onClick={() => {
                  const draft = { kind: "movement" as const, ...each, out: 1 };
                  book(draft, [moveTick(page.job.id, entries, draft)]);
                }}
                className="justify-start px-3 text-left"
              >
                {thing(each)}
                {isOut(each) && <span className="ml-auto font-normal">out</span>}
              </Button>
            ))}
          </div>
        </section>
        <IntoBag />
      </div>
      <section aria-labelledby="tray">
        <h3 id="tray" className="mb-2 text-xl">
          On the bench
        </h3>
        <Tray lines={lines} />
      </section>
      <section aria-labelledby="open" className={`min-h-96 ${gate.isOpen ? "" : "hidden"}`}>
        <h3 id="open" className="mb-2 text-xl">
          While it is open
        </h3>
        {StripTools && <StripTools key={page.job.id} />}
      </section>
    </Work>
  );
}
