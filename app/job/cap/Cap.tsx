import { feltHose } from "../../../core/book/acts/index.ts";
import { format, inShownTemperatures } from "../../../core/kernel/units/index.ts";
import type { EngineState } from "../../../core/state/index.ts";
import { CAP_OPENS_C } from "../../../core/trade/limits/index.ts";
import { Button } from "../../ui/Button.tsx";
import { clockOf } from "../../ui/dates.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { useJob } from "../stage/context.ts";
import { FromLog } from "./FromLog.tsx";
import { ReadCoolant } from "./ReadCoolant.tsx";

const WORDS = { pass: "It may be opened", fail: "Not yet", "not-seen": "Not yet" } as const;
const FELT = [
  { words: "Upper hose soft and cool", upper: "soft-and-cool" },
  { words: "Upper hose hard or hot", upper: "hard-or-hot" },
] as const;

/** The second witness, by hand. */
function Hose() {
  const { book, mayBook } = useJob();
  return (
    <fieldset className="grid max-w-xl grid-cols-2 gap-2">
      <legend className="sr-only">The upper hose, squeezed</legend>
      {FELT.map(({ words, upper }) => (
        <Button key={upper} className="px-3" disabled={!mayBook} onClick={() => book(feltHose(upper))}>
          {words}
        </Button>
      ))}
    </fieldset>
  );
}

/** Whether a cap may be opened or a hose loosened, by which evidence, and what to read next where it may not; `isBare` within another frame. */
export function Cap({ engine, isBare = false }: { engine: EngineState; isBare?: boolean }) {
  const { system, timeZone } = useJob();
  const { cap, readings, ranUntil } = engine;
  const { safeNow, readyAtS, because } = cap;
  const fromLog = ranUntil !== undefined && <FromLog sinceS={Date.parse(ranUntil) / 1000} />;
  const clock = (seconds: number) => clockOf(new Date(seconds * 1000).toISOString(), timeZone);
  return (
    <section
      aria-labelledby="cap"
      className={`flex flex-col ${isBare ? "gap-2" : "gap-3 rounded-md border-2 border-edge bg-sheet p-4"}`}
    >
      <div className={isBare ? "flex flex-wrap items-baseline gap-x-3" : ""}>
        <h4 id="cap" className={`flex items-center gap-2 ${isBare ? "text-lg" : "text-2xl"}`}>
          <VerdictShape verdict={safeNow} /> {WORDS[safeNow]}
        </h4>
        <p>{inShownTemperatures(because.replace(/^Not yet: /, ""), system)}</p>
        {readyAtS && (
          <p>
            Look again at <span className="figure text-xl">{clock(readyAtS.likely)}</span>, between{" "}
            {clock(readyAtS.earliest)} and {clock(readyAtS.latest)}.
          </p>
        )}
        <p className={isBare ? "sr-only" : "text-ink-2"}>
          Wanted: {format(CAP_OPENS_C, "temperature", system)} at the neck, and the upper hose soft and cool.{" "}
          {ranUntil
            ? `It ran until ${clockOf(ranUntil, timeZone)}; ${readings.length} read since.`
            : `Nobody has written that it ran${readings.length > 0 ? `; ${readings.length} read` : ""}.`}
        </p>
      </div>
      {!engine.isRunning && (
        <ReadCoolant hasPlace beside={isBare ? <Hose /> : undefined}>
          {isBare && fromLog}
        </ReadCoolant>
      )}
      {!engine.isRunning && !isBare && (
        <div className="flex flex-wrap gap-x-2">
          <Hose />
          {fromLog}
        </div>
      )}
    </section>
  );
}
