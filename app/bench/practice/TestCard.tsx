import { useEffect, useRef } from "react";
import { inShownTemperatures } from "../../../core/kernel/units/index.ts";
import { cautionsOf, type TestKnowledge } from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { Done } from "../../../core/trade/practice/index.ts";
import { useMember } from "../../desk/member.ts";
import { Button } from "../../ui/Button.tsx";
import { useRest } from "../../ui/useRest.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { cameWords, verdictOf } from "./act-words.ts";

/** One test: how, what can hurt, and what came of it. */
export function TestCard({
  test,
  result,
  isTested,
  onDo,
}: {
  test: TestKnowledge;
  result: Done | undefined;
  isTested: boolean;
  onDo: () => void;
}) {
  const { units } = useMember();
  const isResting = useRest(test.id);
  const heading = useRef<HTMLHeadingElement>(null);
  const came = result?.minute;
  // Once it is done, its button is gone: who pressed it is left at the test.
  // biome-ignore lint/correctness/useExhaustiveDependencies: as it comes up, and as something came of it
  useEffect(() => {
    heading.current?.focus({ preventScroll: true });
    heading.current?.scrollIntoView({ block: "nearest" });
  }, [came]);
  const verdict = result && verdictOf(result);
  const cautions = cautionsOf(test);
  return (
    <section aria-labelledby="test-in-hand" className="flex flex-col gap-2 border-ink border-b-2 pb-4">
      <p className="flex flex-wrap justify-between gap-x-4 text-ink-2">
        <span>{test.needs.length > 0 ? `Needs ${test.needs.join(", ")}` : "Needs nothing"}</span>
        <span className="figure">{test.minutes} min</span>
      </p>
      <h3 id="test-in-hand" ref={heading} tabIndex={-1} className="text-xl">
        {test.name}
      </h3>
      <p className="leading-snug">{inShownTemperatures(test.how, units)}</p>
      {cautions.length > 0 && (
        <p
          role="note"
          className="border-ink border-l-[6px] bg-wash py-1.5 pr-2 pl-3 font-bold text-[0.95rem] leading-snug"
        >
          {inShownTemperatures(cautions.join(" "), units)}
        </p>
      )}
      {result && (
        <p className="flex items-center gap-3 text-xl" data-came>
          {verdict && <VerdictShape verdict={verdict} size={26} />}
          <b>{cameWords(result, units)}</b>
        </p>
      )}
      {!isTested && (
        <Button weight="main" className="self-start" isResting={isResting} onClick={onDo}>
          {result ? "Do it again" : "Do it"}
        </Button>
      )}
    </section>
  );
}
