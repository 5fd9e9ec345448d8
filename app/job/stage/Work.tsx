import { type ReactNode, useRef } from "react";
import { readCaution } from "../../../core/book/acts/index.ts";
import { CautionRead, factsOf } from "../../../core/book/facts/index.ts";
import { inShownTemperatures } from "../../../core/kernel/units/index.ts";
import { Button, ButtonLink } from "../../ui/Button.tsx";
import { showSlip } from "../../ui/slips.ts";
import { useRest } from "../../ui/useRest.ts";
import { useJob } from "./context.ts";
import { sayTick } from "./tick-id.ts";
import { useKeepFocus } from "./useKeepFocus.ts";
import { useStageHeading } from "./useStageHeading.ts";

/** The next step only ever goes somewhere; what books or signs has a button of its own, at another place. */
type Next = { label: string } & ({ to: string } | { onGo: () => void });

/** A stage's work surface: its one question on top, the next step always bottom right. */
export function Work({
  title,
  isTitleQuiet = false,
  children,
  next,
  act,
}: {
  title: string;
  /** True where the surface says it itself, so that only a screen reader needs it. */
  isTitleQuiet?: boolean;
  children: ReactNode;
  next?: Next;
  /** What is done here: books what was typed, say. Left of the next step. */
  act?: ReactNode;
}) {
  const { page, entries, notice } = useJob();
  const part = useRef<HTMLElement>(null);
  useKeepFocus(part, entries);
  const heading = useStageHeading();
  const isResting = useRest(next?.label);
  return (
    <>
      <section
        ref={part}
        aria-label="Work"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        tabIndex={0}
        // What is hidden from the eye alone is placed within it, or it would make the page itself scroll.
        className="relative min-h-0 flex-1 px-5 book:overflow-y-auto pt-3 pb-6 lg:px-7"
      >
        <h2
          ref={heading}
          tabIndex={-1}
          data-stage-heading
          className={isTitleQuiet ? "sr-only" : "mb-2 text-2xl"}
        >
          {title}
        </h2>
        <div className="flex flex-col gap-5">{children}</div>
      </section>
      <div className="flex flex-wrap items-center justify-end gap-3 border-rule border-t px-5 py-2 lg:px-7">
        <p role="status" className="mr-auto font-bold">
          {notice}
        </p>
        {act}
        {next &&
          ("to" in next ? (
            <ButtonLink
              to={`/jobs/${page.job.id}/${next.to}`}
              weight="main"
              data-next
              data-rests={isResting || undefined}
              onClick={(event) => {
                if (!isResting) return;
                event.preventDefault();
                showSlip(event.currentTarget);
              }}
            >
              {next.label}
            </ButtonLink>
          ) : (
            <Button weight="main" onClick={next.onGo} isResting={isResting} data-next>
              {next.label}
            </Button>
          ))}
      </div>
    </>
  );
}

/** Hazards, shown where they are, one after another; tapping books that it was read. */
export function Cautions({ texts }: { texts: readonly string[] }) {
  const { page, entries, system, book, mayBook } = useJob();
  const read = new Set(factsOf(entries, CautionRead).map(({ entry }) => entry.text));
  const unread = texts.filter((text) => !read.has(text));
  const [first] = unread;
  if (!first) return null;
  return (
    <div role="note" className="flex items-center gap-4 border-ink border-l-[6px] bg-wash py-1.5 pr-2 pl-4">
      <p className="flex-1 font-bold leading-snug">
        {inShownTemperatures(first, system)}
        {unread.length > 1 && <span className="font-normal"> One more after this.</span>}
      </p>
      {mayBook && (
        <Button
          className="shrink-0 px-4"
          onClick={() =>
            book(readCaution(first), [
              sayTick(
                page.job.id,
                entries,
                `caution:${first}`,
                ({ kind, text }) => kind === "caution" && text === first,
              ),
            ])
          }
        >
          I have read it
        </Button>
      )}
    </div>
  );
}
