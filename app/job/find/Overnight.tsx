import { waits } from "../../../core/book/acts/index.ts";
import { morningAfter, overnightOffer } from "../../../core/stages/find/index.ts";
import { waitOf } from "../../../core/stages/overview/index.ts";
import { testOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { Button } from "../../ui/Button.tsx";
import { hourOf } from "../../ui/dates.ts";
import { useJob } from "../stage/context.ts";
import type { KnownFind } from "./belief/useFind.ts";

/** A hot engine that is worth leaving until the morning, and the cold test that the morning begins with. */
export function Overnight({ find }: { find: KnownFind }) {
  const { entries, page, book, mayBook, timeZone } = useJob();
  const { state, now, isThinking, finding } = find;
  const hour = hourOf(now, timeZone);
  const offer = finding ? undefined : overnightOffer(state, hour);
  if (!offer) return null;
  const { name, minutes } = testOf(offer.test);
  const isLeft = waitOf(entries, page.job.openedAt).waitsFor === "night";
  const leave = () => book(waits("night", `until it is cold, for “${name}”`, morningAfter(now, hour)));
  return (
    <p
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-ink border-l-[6px] py-1 pl-4"
      role="note"
    >
      <span className="min-w-64 flex-1">
        <span className="font-bold">
          {offer.isBest
            ? "It wants to be cold for the next test."
            : offer.sure === undefined
              ? "The evening's last act: let it stand."
              : `Today nothing makes it surer; a night would, to ${Math.floor(offer.sure * 100)} %.`}
        </span>{" "}
        {isLeft && "It is left for the night. "}In the morning, cold: “{name}”,{" "}
        <span className="figure">{minutes}</span> min.
      </span>
      {!isLeft && (
        <Button disabled={!mayBook} isResting={isThinking} onClick={leave}>
          Leave it for the night
        </Button>
      )}
    </p>
  );
}
