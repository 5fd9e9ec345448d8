import { memo } from "react";
import { inShownTemperatures } from "../../../core/kernel/units/index.ts";
import type { NextAction } from "../../../core/trade/diagnosis/index.ts";
import {
  cautionsOf,
  type TestKnowledge,
  testOf,
  testsOf,
  USUAL_RATES,
} from "../../../core/trade/diagnosis/knowledge/index.ts";
import { useMember } from "../../desk/member.ts";
import type { KeyWay } from "../../keys/key-registry.ts";
import { useKeys } from "../../keys/useKeys.ts";
import { Button } from "../../ui/Button.tsx";
import { moneyOf } from "../../ui/money.ts";
import { useRest } from "../../ui/useRest.ts";
import { useJob } from "../stage/context.ts";
import type { KnownFind } from "./belief/useFind.ts";
import { answerKeys, CANNOT, keyFor, NOT_SURE_KEY } from "./outcome-keys.ts";
import { useCardFocus } from "./useCardFocus.ts";

/** The key beside an answer; it is read out as the button's own shortcut. */
const Key = ({ way, children }: { way: KeyWay; children: string }) =>
  way === "off" ? null : (
    <span className="figure ml-auto pl-2 font-normal text-sm" aria-hidden="true">
      {way === "alt" && "Alt "}
      {children}
    </span>
  );

const shortcut = (way: KeyWay, key: string) =>
  way === "off" ? undefined : way === "alt" ? `Alt+${key.toUpperCase()}` : key.toUpperCase();

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
/** What the engine wants before a test. */
export const engineWords = ({ first, isAlong }: Pick<NextAction, "first" | "isAlong">): string =>
  isAlong
    ? "on this warm-up"
    : first === "heat"
      ? "and warming it up"
      : first === "cool"
        ? "once it is cold"
        : "";
const TOP_UP = "The level is low: top it up cold, before the engine runs.";
const isRunHot = ({ engine, hazards }: TestKnowledge) =>
  engine === "heats" || engine === "hot" || hazards.includes("engine running");
const SMALL = "min-h-12 justify-start px-3 py-1 text-left font-normal";

/** One test as one card: why, how, caution, and what was seen as big buttons. */
export const NextTest = memo(function NextTest({
  find,
  testId,
  isChosen,
}: {
  find: KnownFind;
  testId: string;
  isChosen: boolean;
}) {
  const { state, isThinking, mayBook, report, unsure, cannot } = find;
  const isResting = useRest(testId) || isThinking;
  const isTaken = mayBook && !isResting;
  const { system } = useJob();
  const test = testsOf(state.circuit).find(({ id }) => id === testId) ?? testOf(testId);
  const cautions = [...(state.isLow && isRunHot(test) ? [TOP_UP] : []), ...cautionsOf(test)];
  const action = state.actions.find(({ kind, id }) => kind === "test" && id === testId);
  const { card, heading } = useCardFocus(isChosen);
  const { keys: way, currency } = useMember();
  useKeys(
    "The test card",
    answerKeys({
      outcomes: test.outcomes.map(({ id, name }) => ({ name, act: () => isTaken && report(testId, id) })),
      unsure: () => isTaken && unsure(testId),
      cannot: (why) => isTaken && cannot(testId, why),
    }),
    card,
  );
  const done = state.results.find((result) => result.test === testId);
  return (
    <section ref={card} aria-labelledby="next-test" className="flex flex-col gap-2">
      <p className="flex items-baseline justify-between gap-4 text-ink-2">
        <span>
          {done ? "Once more" : isChosen ? "The test you chose" : "Next test"}
          {test.needs.length > 0 && `; needs ${test.needs.join(", ")}`}
        </span>
        <span className="whitespace-nowrap">
          <span className="figure">{action?.isAlong ? USUAL_RATES.alongMinutes : test.minutes} min</span>
          {action && engineWords(action) && <span>, {engineWords(action)}</span>}
        </span>
      </p>
      <h3
        id="next-test"
        ref={heading}
        tabIndex={-1}
        className="text-xl"
        data-next-test={testId}
        data-rests={isResting || undefined}
      >
        {test.name}
      </h3>
      <p className="leading-snug">{inShownTemperatures(test.how, system)}</p>
      {cautions.length > 0 && (
        <p
          role="note"
          className="border-ink border-l-[6px] bg-wash py-1.5 pr-2 pl-3 font-bold text-[0.95rem] leading-snug"
        >
          {inShownTemperatures(cautions.join(" "), system)}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        {test.outcomes.map((outcome, index) => (
          <Button
            key={outcome.id}
            className="min-h-14 justify-start px-3 text-left"
            disabled={!mayBook}
            isResting={isResting}
            aria-keyshortcuts={shortcut(way, keyFor(index))}
            onClick={() => report(testId, outcome.id)}
          >
            {outcome.name}
            <Key way={way}>{keyFor(index)}</Key>
          </Button>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Button
          className={SMALL}
          disabled={!mayBook}
          isResting={isResting}
          aria-keyshortcuts={shortcut(way, NOT_SURE_KEY)}
          onClick={() => unsure(testId)}
        >
          Not sure
          <Key way={way}>{NOT_SURE_KEY}</Key>
        </Button>
        {CANNOT.map(({ key, reason, why }) => (
          <Button
            key={key}
            className={SMALL}
            disabled={!mayBook}
            isResting={isResting}
            aria-keyshortcuts={shortcut(way, key)}
            onClick={() => cannot(testId, why)}
          >
            <span>
              <span className="sr-only">Can't do here: </span>
              {capital(reason)}
            </span>
            <Key way={way}>{key}</Key>
          </Button>
        ))}
      </div>
      {action && (
        <details>
          <summary className="min-h-12 py-3 font-bold">Why this one</summary>
          <ul className="list-disc pl-6">
            {action.because.split("; ").map((part) => (
              <li key={part}>{part}.</li>
            ))}
          </ul>
          <p className="mt-1 text-ink-2">
            From here to the end it comes to {moneyOf(action.expectedCents, currency)} on average if this is
            done next, the least of all that could be. Shares are beliefs from what is in the book, not
            counts.
          </p>
        </details>
      )}
    </section>
  );
});
