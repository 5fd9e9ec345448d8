import { useEffect, useRef, useState } from "react";
import { SHOWN, toShown } from "../../../core/kernel/units/index.ts";
import { benchCar } from "../../../core/trade/bench/index.ts";
import { hypothesisOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { type RoundTold, tellRound } from "../../../core/trade/practice/index.ts";
import { useMember } from "../../desk/member.ts";
import { Button } from "../../ui/Button.tsx";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { openPractice } from "../../workers/practice.ts";
import { useThread } from "../../workers/useThread.ts";
import { verdictOfRound } from "./act-words.ts";
import { KeptWords } from "./KeptWords.tsx";
import { TrueCurve } from "./TrueCurve.tsx";
import { TwoWays } from "./TwoWays.tsx";
import type { Played } from "./usePractice.ts";
import type { UnkeptHere } from "./useUnkept.ts";

const ENDED = {
  found: { right: "Found, and nothing changed in vain.", wrong: "Found, by way of what it wasn't." },
  "handed-back": { right: "Right: nothing was wrong with it.", wrong: "Handed back, and it came back." },
  "given-up": { right: "Given up.", wrong: "Given up." },
} as const;

const namesOf = (faults: readonly string[]) =>
  faults.map((fault) => hypothesisOf(fault)?.name ?? fault).join(", and ");

/** What it was, how one went about it, and how the planner would have. */
export function RoundOver({
  played: { setup, round },
  unkept,
  onAgain,
  onLeave,
}: {
  played: Played;
  unkept: UnkeptHere;
  onAgain: () => void;
  onLeave: () => void;
}) {
  const [planner, setPlanner] = useState<RoundTold | "none">();
  const ask = useThread(openPractice);
  const { level, carKey, seed } = setup;
  useEffect(() => {
    let isHere = true;
    ask((work) => work.tellPlannersWay({ level, carKey, seed }) as Promise<RoundTold>).then(
      (told) => isHere && setPlanner(told),
      () => isHere && setPlanner("none"),
    );
    return () => {
      isHere = false;
    };
  }, [ask, level, carKey, seed]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: as it is over, and as the planner's way is known
  useEffect(() => {
    unkept.add(setup, planner && { cents: planner === "none" ? undefined : planner.cents });
  }, [setup.id, planner]);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  const { units } = useMember();
  const own = tellRound(round);
  const { faults, gaugeOffC } = round.hidden;
  const apart = Math.abs(toShown(gaugeOffC, "temperature", units) - toShown(0, "temperature", units));
  const was = faults.length === 0 ? "nothing" : namesOf(faults);
  const isHalf = round.stillWrong.length > 0 && round.stillWrong.length < faults.length;
  const ended = ENDED[round.end ?? "given-up"][round.isRight ? "right" : "wrong"];
  return (
    <div className="flex flex-col gap-5">
      <section aria-labelledby="it-was" className="flex flex-col gap-2">
        <h2 id="it-was" ref={heading} tabIndex={-1} className="flex items-center gap-3 text-2xl">
          <VerdictShape verdict={verdictOfRound(round.isRight, round.end)} size={28} />
          {ended}
        </h2>
        <p className="text-xl">
          {benchCar(carKey).name}: it was <b>{was}</b>
          {gaugeOffC !== 0 &&
            `, and its dial read ${Math.round(apart)} ${SHOWN.temperature[units].label} too ${gaugeOffC > 0 ? "high" : "low"}`}
          .{isHalf && ` Still in it: ${namesOf(round.stillWrong)}.`}
          {setup.hadHelp && " You looked at what was still possible."}
        </p>
        <div className="flex flex-wrap items-center gap-3">
          <Button weight="main" data-next onClick={onAgain}>
            Another car
          </Button>
          <Button onClick={onLeave}>Another level</Button>
          <KeptWords unkept={unkept} shownId={setup.id} />
        </div>
      </section>
      <TwoWays own={own} planner={planner} />
      <TrueCurve told={own} />
    </div>
  );
}
