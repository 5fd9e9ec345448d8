import { useEffect, useRef, useState } from "react";
import { benchCar } from "../../../core/trade/bench/index.ts";
import { testsOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { LEVELS, type PracticeAct } from "../../../core/trade/practice/index.ts";
import { useMember } from "../../desk/member.ts";
import { announce } from "../../ui/announcer.ts";
import { Button } from "../../ui/Button.tsx";
import { cameWords, saidNow } from "./act-words.ts";
import { CommitToRepair } from "./CommitToRepair.tsx";
import { DoneSoFar } from "./DoneSoFar.tsx";
import { EngineHere } from "./EngineHere.tsx";
import { StillPossible } from "./StillPossible.tsx";
import { TestCard } from "./TestCard.tsx";
import { TestList } from "./TestList.tsx";
import type { Played } from "./usePractice.ts";

/** The car, the engine as one sees and feels it, the tests, what came of them, and what one commits to. */
export function RoundInHand({
  played: { setup, round },
  onAct,
  onHelp,
}: {
  played: Played;
  onAct: (act: PracticeAct) => string;
  onHelp: () => void;
}) {
  const { units } = useMember();
  const [chosen, setChosen] = useState<string>();
  const [trouble, setTrouble] = useState("");
  const tests = testsOf(round.circuit);
  const test = tests.find(({ id }) => id === chosen);
  const last = round.done.at(-1);
  const heading = useRef<HTMLHeadingElement>(null);
  // What was pressed for this car is gone with the page before it.
  useEffect(() => {
    if (document.activeElement === document.body) heading.current?.focus();
  }, []);
  const act = (given: PracticeAct) => {
    const why = onAct(given);
    setTrouble(why);
    if (why !== "") announce(why);
  };
  return (
    <div className="flex flex-col gap-5">
      <h2 ref={heading} tabIndex={-1} className="font-normal text-xl">
        <b>{benchCar(setup.carKey).name}</b>, {round.circuit.name}. The owner says: <b>{saidNow(round)}</b>.{" "}
        <span className="text-base text-ink-2">{LEVELS.find(({ id }) => id === setup.level)?.name}.</span>
      </h2>
      <div className="grid items-start gap-x-8 gap-y-6 lg:grid-cols-2 xl:grid-cols-[20.5rem_minmax(0,1fr)_20.5rem]">
        <EngineHere round={round} onAct={act} />
        <div className="flex min-w-0 flex-col gap-3">
          {trouble !== "" && (
            <p role="alert" className="border-ink border-l-[6px] pl-3 font-bold">
              {trouble}
            </p>
          )}
          {test ? (
            <TestCard
              key={test.id}
              test={test}
              result={round.resultOf(test.id)}
              isTested={round.isTested(test.id)}
              onDo={() => act({ do: "test", id: test.id })}
            />
          ) : (
            <p className="text-ink-2">Choose a test. What it wants of the engine, you see to.</p>
          )}
          <TestList tests={tests} round={round} chosen={chosen} onChoose={setChosen} />
        </div>
        <div className="flex min-w-0 flex-col gap-5 lg:col-span-2 xl:col-span-1">
          <CommitToRepair round={round} onAct={act} />
          <DoneSoFar done={round.done} account={round.account} minute={round.minute} />
          {setup.hadHelp ? (
            <StillPossible round={round} />
          ) : (
            <Button weight="quiet" className="self-start" onClick={onHelp}>
              Show what is still possible
            </Button>
          )}
        </div>
      </div>
      <p role="status" className="sr-only">
        {last ? cameWords(last, units) : ""}
      </p>
    </div>
  );
}
