import { noted } from "../../../../core/book/acts/index.ts";
import {
  boltLength,
  type Joint,
  SEATS,
  type SeatName,
  seatOf,
  THREADS,
} from "../../../../core/trade/fit/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { ChipsOne } from "../../../ui/Chips.tsx";
import { TextField } from "../../../ui/Field.tsx";
import { FigureField, figure, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import { useJob } from "../../stage/context.ts";
import { BoltPicture } from "./BoltPicture.tsx";

const EMPTY = { thread: "M6", stack: "", seat: "nut", depth: "" };
type ThreadName = keyof typeof THREADS;

function thicknesses(typed: string): number[] {
  const stack = typed.split("+").map(figure);
  if (stack.some(Number.isNaN))
    throw new RangeError("Thicknesses in mm with + between them, such as 1.6 + 3 + 8.");
  return stack;
}

function depthOf(typed: string): number {
  const depth = figure(typed);
  if (Number.isNaN(depth)) throw new RangeError("How deep in mm, such as 14 or 14.5.");
  return depth;
}

/** Which bolt, for what it goes through and into. */
export function Bolt() {
  const { book, mayBook } = useJob();
  const { fields, put, clear } = useFields("bolt", EMPTY);
  const { thread, stack, seat, depth } = fields;
  const made = THREADS[thread as ThreadName] ?? THREADS.M6;
  const isTyped = stack.trim() !== "" && (seat === "nut" || depth.trim() !== "");
  const joint = (): Joint => ({
    stackMm: thicknesses(stack),
    thread: made,
    seat: seatOf(seat as SeatName, made, seat === "nut" ? 0 : depthOf(depth)),
  });
  const outcome = worked(isTyped, () => boltLength(joint()));
  const found = outcome && "result" in outcome ? outcome.result : undefined;
  const words = found && ("refused" in found ? found.refused : `${thread}×${found.lengthMm}`);
  return (
    <div className="flex flex-col gap-4">
      <ChipsOne
        label="Thread"
        options={Object.keys(THREADS)}
        value={thread}
        onChange={(name) => name && put("thread")(name)}
      />
      <ChipsOne
        label="What it goes into"
        options={SEATS}
        value={seat}
        onChange={(name) => name && put("seat")(name)}
      />
      <div className="flex flex-wrap items-start gap-4">
        <div className="min-w-56 flex-1">
          <TextField
            label="Through, from its head on"
            unit="mm"
            hint="Washers, bracket, bush, flange: 1.6 + 3 + 8"
            inputMode="text"
            className="figure"
            maxLength={60}
            value={stack}
            disabled={!mayBook}
            onChange={(event) => put("stack")(event.target.value)}
          />
        </div>
        {seat !== "nut" && (
          <FigureField
            label={seat === "insert" ? "Insert, long" : "Hole, deep"}
            unit="mm"
            value={depth}
            onChange={put("depth")}
          />
        )}
      </div>
      <div aria-live="polite" className="min-h-12">
        {outcome === undefined && (
          <p className="text-ink-2">Measure what it goes through; the bolt shows at once.</p>
        )}
        {outcome && "trouble" in outcome && (
          <p className="border-ink border-l-4 pl-3 font-bold">{outcome.trouble}</p>
        )}
        {found && "refused" in found && (
          <p className="border-ink border-l-4 pl-3 font-bold">{found.refused}</p>
        )}
        {found && "lengthMm" in found && (
          <>
            <p className="figure text-4xl">{words}</p>
            <p>
              At least {Number(found.leastMm.toFixed(1))} mm; {Number(found.spareMm.toFixed(1))} mm to spare.
            </p>
            <BoltPicture joint={joint()} bolt={found} />
          </>
        )}
      </div>
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={!mayBook || !found || "refused" in found}
          onClick={() => {
            book(noted(`Bolt ${words}: through ${stack} mm into a ${seat}.`));
            clear();
          }}
        >
          Book it
        </Button>
        <Button weight="quiet" onClick={clear}>
          Clear it
        </Button>
      </div>
    </div>
  );
}
