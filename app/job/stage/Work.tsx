import { type ReactNode, useEffect, useRef } from "react";
import { useLocation } from "react-router";
import type { Act, NextTerms } from "../../../core/stages/next/index.ts";
import { STAGE_NAMES } from "../../shell/stage-names.ts";
import { Button, ButtonLink } from "../../ui/Button.tsx";
import { showSlip } from "../../ui/slips.ts";
import { useHadFocus } from "../../ui/useHadFocus.ts";
import { useRest } from "../../ui/useRest.ts";
import { InHandHere } from "../hand/hand-context.ts";
import { CAP, InHand, NothingInHand } from "../hand/InHand.tsx";
import { useBooking } from "../hand/useBooking.ts";
import { useHand } from "../hand/useHand.ts";
import { useJob } from "./context.ts";
import { useKeepFocus } from "./useKeepFocus.ts";
import { useStageHeading } from "./useStageHeading.ts";

/** The next step where nothing is in hand; what books or signs has a button of its own, at another place. */
type Next = { label: string } & ({ to: string } | { onGo: () => void });

/** What these know of is read by their own stage: elsewhere one goes there. */
const AT_ITS_STAGE: ReadonlySet<Act["stage"]> = new Set(["find", "plan", "sign"]);
const toCap = () => document.querySelector<HTMLElement>("[data-in-hand] input")?.focus();
const toChoices = () => document.querySelector<HTMLElement>("[data-in-hand] [data-choice]")?.focus();
const NO_ACT: Act = { id: "", stage: "ask", what: "", why: "", needs: { people: 1, tools: [] }, choices: [] };

/** The one large button, always at the same place: it does what is in hand, or goes where that stands. */
function NextStep({ next, isResting }: { next: Next; isResting: boolean }) {
  const { page } = useJob();
  if (!("to" in next))
    return (
      <Button weight="main" onClick={next.onGo} isResting={isResting} data-next>
        {next.label}
      </Button>
    );
  return (
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
  );
}

/** A button that becomes a link is another thing to a browser: whoever was on the one is on the other, not nowhere. */
function KeepsFocus({ of, children }: { of: "link" | "button"; children: ReactNode }) {
  const part = useRef<HTMLDivElement>(null);
  const isAt = useHadFocus(part);
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at when the one has become the other
  useEffect(() => {
    if (isAt.current && document.activeElement === document.body)
      part.current?.querySelector<HTMLElement>("[data-next]")?.focus();
  }, [of, isAt]);
  return (
    <div ref={part} className="contents">
      {children}
    </div>
  );
}

/** A stage's work surface: what is in hand first, its tools behind it, the next step always bottom right. */
export function Work({
  title,
  isTitleQuiet = false,
  children,
  next: own,
  toDrawn,
  typed,
  act: ownAct,
  known,
  isDrawn,
}: {
  title: string;
  /** True where the surface says it itself, so that only a screen reader needs it. */
  isTitleQuiet?: boolean;
  children: ReactNode;
  /** Where nothing is in hand. */
  next?: Next;
  /** Where what is in hand is drawn by the stage itself: to it; `next` where it says nothing of its own. */
  toDrawn?: Next;
  /** What was typed or tapped here and isn't booked yet: that goes before anything else. */
  typed?: Next;
  /** What is done here: books what was typed, say. Left of the next step. */
  act?: ReactNode;
  /** What this stage has read that the next thing to do depends on. */
  known?: NextTerms;
  /** Whether the stage's own surface shows this act already. */
  isDrawn?: (act: Act) => boolean;
}) {
  const { page, entries, notice, mayBook } = useJob();
  const part = useRef<HTMLElement>(null);
  useKeepFocus(part, entries);
  const heading = useStageHeading();
  const here = useLocation().pathname.split("/").at(-1);
  const hand = useHand(known);
  const [act] = hand.next.now;
  const booking = useBooking(act ?? NO_ACT);
  const isOwn = act?.stage === here;
  const isShown = act !== undefined && !(isOwn && isDrawn?.(act));
  const isHere = act !== undefined && (isOwn || !AT_ITS_STAGE.has(act.stage)) && act.choices.length > 0;
  const [first] = act?.choices ?? [];
  const next: Next | undefined = typed
    ? typed
    : !act || (isOwn && !isShown)
      ? ((act && toDrawn) ?? own)
      : act.id === CAP
        ? { label: "To the cap", onGo: toCap }
        : isHere && act.mustChoose
          ? { label: "Choose one", onGo: toChoices }
          : isHere && first
            ? { label: first.words, onGo: () => booking.take(first) }
            : { label: `On to ${STAGE_NAMES[act.stage]}`, to: act.stage };
  const isResting = useRest(`${act?.id} ${next?.label}`);
  return (
    <>
      <section
        ref={part}
        aria-label="Work"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        tabIndex={0}
        // What is hidden from the eye alone is placed within it, or it would make the page itself scroll.
        className="relative min-h-0 flex-1 px-5 pt-3 pb-6 lg:px-7 book:overflow-y-auto print:overflow-visible"
      >
        <h2
          ref={heading}
          tabIndex={-1}
          data-stage-heading
          className={isTitleQuiet || isShown ? "sr-only" : "mb-2 text-2xl"}
        >
          {title}
        </h2>
        <div className="flex flex-col gap-5 max-sm:gap-4">
          {isShown && (
            <InHand
              key={page.job.id}
              act={act}
              next={hand.next}
              nowMs={hand.nowMs}
              booking={booking}
              isHere={isHere}
              isResting={isResting}
            />
          )}
          {!act && mayBook && <NothingInHand next={hand.next} nowMs={hand.nowMs} />}
          <InHandHere value={isShown ? act : undefined}>{children}</InHandHere>
        </div>
      </section>
      <div className="bottom-14 z-10 flex print:hidden flex-wrap items-center justify-end gap-3 border-rule border-t bg-paper px-5 py-2 rail:tall:sticky book:static lg:px-7">
        <p role="status" className="mr-auto font-bold">
          {notice}
        </p>
        {ownAct}
        <KeepsFocus of={next && "to" in next ? "link" : "button"}>
          {next && <NextStep next={next} isResting={isResting} />}
        </KeepsFocus>
      </div>
    </>
  );
}
