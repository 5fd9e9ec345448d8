import {
  type Felt,
  type PracticeAct,
  type PracticeRound,
  RED_C,
  RUN_MINUTES,
  RUN_RPM,
  WAIT_MINUTES,
} from "../../../core/trade/practice/index.ts";
import { useMember } from "../../desk/member.ts";
import { Button } from "../../ui/Button.tsx";
import { Figure } from "../../ui/Figure.tsx";
import { useRest } from "../../ui/useRest.ts";
import { momentWords, runWords, waitWords } from "./act-words.ts";

const FELT: Record<Felt, string> = { cold: "cold", warm: "warm", hot: "too hot to hold" };
/** What can be done with it, in rows; the words of a way follow its row's name. */
const DOINGS: { name: string; ways: { words: string; act: PracticeAct }[] }[] = [
  ...RUN_RPM.map((rpm) => ({
    name: runWords(rpm),
    ways: RUN_MINUTES.map((minutes) => ({
      words: `${minutes} min`,
      act: { do: "run" as const, rpm, minutes },
    })),
  })),
  {
    name: "Let it stand",
    ways: [
      ...WAIT_MINUTES.map((minutes) => ({
        words: waitWords(minutes),
        act: { do: "wait" as const, minutes },
      })),
      { words: "the night", act: { do: "night" } },
    ],
  },
];

/** The engine as one sees, hears and feels it without a tool, and what one does with it. */
export function EngineHere({ round, onAct }: { round: PracticeRound; onAct: (act: PracticeAct) => void }) {
  const { units } = useMember();
  const { gaugeC, fansRun, upperHose, lowerHose } = round.seen();
  const isResting = useRest(round.done.length);
  return (
    <section aria-labelledby="engine" className="flex flex-col gap-3">
      <h2 id="engine" className="text-2xl">
        The engine
      </h2>
      <dl className="grid grid-cols-2 gap-x-4 gap-y-2">
        <div className="col-span-2">
          <dt className="text-ink-2">On the dial{gaugeC >= RED_C && ", in the red"}</dt>
          <dd>
            <Figure value={gaugeC} dimension="temperature" system={units} decimals={0} isKey />
          </dd>
        </div>
        <Seen name="Fan" words={fansRun ? "runs" : "still"} />
        <Seen name="It has been here" words={`${momentWords(round.minute)} h`} />
        <Seen name="Upper hose" words={FELT[upperHose]} />
        <Seen name="Lower hose" words={FELT[lowerHose]} />
      </dl>
      {DOINGS.map(({ name, ways }) => (
        <div key={name} className="flex flex-col gap-1">
          <span className="font-bold" aria-hidden="true">
            {name}
          </span>
          <div className="flex flex-wrap gap-2">
            {ways.map(({ words, act }) => (
              <Button
                key={words}
                className="flex-1 whitespace-nowrap"
                aria-label={`${name} ${words}`}
                isResting={isResting}
                onClick={() => onAct(act)}
              >
                {words}
              </Button>
            ))}
          </div>
        </div>
      ))}
      <p className="text-ink-2 text-sm">
        Between two things you do no time goes by. In the red you stop it yourself.
      </p>
    </section>
  );
}

const Seen = ({ name, words }: { name: string; words: string }) => (
  <div>
    <dt className="text-ink-2">{name}</dt>
    <dd className="font-bold text-lg">{words}</dd>
  </div>
);
