import { ranDistance } from "../../../core/book/acts/index.ts";
import { Distance, factsOf } from "../../../core/book/facts/index.ts";
import { format, SHOWN } from "../../../core/kernel/units/index.ts";
import { fallenDistance, knownDistances } from "../../../core/state/index.ts";
import { readDistance } from "../../../core/trade/car/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";

/** The distance at hand-over, which people forget; never less than it was before. */
export function HandOver() {
  const { page, entries, system, book, mayBook } = useJob();
  const [text, setText] = useDraft(`hand-over:${page.job.id}`);
  const read = factsOf(entries, Distance).map(({ entry }) => entry);
  const atEnd = read.findLast(({ stage }) => stage === "sign" || stage === "prove");
  // What was misread at hand-over holds no right figure back.
  const known = knownDistances(entries, page, atEnd?.id);
  const before = known.at(-1)?.km;
  const km = readDistance(text, system);
  const isWrong = text.trim() !== "" && km === undefined;
  const trouble =
    km === undefined ? undefined : fallenDistance(entries, page, { km, corrects: atEnd?.id }, system);
  const save = () => {
    if (km === undefined || isWrong || trouble) return;
    if (book({ ...ranDistance(km), ...(atEnd ? { corrects: atEnd.id } : {}) })) setText("");
  };
  return (
    <section aria-labelledby="hand-over">
      <h3 id="hand-over" className="text-xl">
        At hand-over
      </h3>
      <form
        className="flex flex-wrap items-start gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <div className="w-56 max-sm:w-40">
          <TextField
            label="Distance now"
            inputMode="numeric"
            className="figure"
            maxLength={16}
            unit={SHOWN.distance[system].label}
            value={text}
            disabled={!mayBook}
            hint={
              atEnd
                ? `In the book: ${format(atEnd.value ?? 0, "distance", system)}`
                : before !== undefined
                  ? `It came with ${format(before, "distance", system)}`
                  : undefined
            }
            error={isWrong ? "A distance from nothing up." : trouble && `${trouble.words} Read it again.`}
            onChange={(event) => setText(event.target.value)}
          />
        </div>
        <Button
          type="submit"
          className="mt-7 max-sm:px-3"
          disabled={!mayBook || km === undefined || isWrong || trouble !== undefined}
        >
          {atEnd ? "Put it right" : "Book the distance"}
        </Button>
      </form>
    </section>
  );
}
