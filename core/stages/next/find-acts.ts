import { answeredTest, decided, settledCircuit } from "../../book/acts/index.ts";
import {
  CIRCUIT_KINDS,
  CIRCUITS,
  cautionsOf,
  type TestKnowledge,
  testOf,
  testsOf,
} from "../../trade/diagnosis/knowledge/index.ts";
import { circuitOf, findState, verdictOffer } from "../find/index.ts";
import { type Act, ALONE } from "./act.ts";
import { verdictInWords } from "./late-finding.ts";
import type { Room } from "./room.ts";

function circuitAct(): Act {
  return {
    id: "find:circuit",
    stage: "find",
    what: "How is the fan switched?",
    why: "What can be wrong and what a test proves depend on it, and no card says it.",
    minutes: 3,
    needs: ALONE,
    choices: CIRCUIT_KINDS.map((kind) => ({
      id: kind,
      words: CIRCUITS[kind].name,
      lines: () => [{ ...settledCircuit(kind), stage: "find" as const }],
    })),
  };
}

/** What a test asks of the engine; what loosens something of the circuit under pressure opens it. */
function engineFor({ engine, hazards, needs }: TestKnowledge): "cold" | "opened" | "running" | undefined {
  if (hazards.includes("pressure")) return "opened";
  if (engine === "heats" || engine === "hot" || needs.includes("engine running")) return "running";
  return engine === "cold" ? "cold" : undefined;
}

/** The next of Find: the circuit, the best test with its outcomes, or the verdict. */
export function findActs(room: Room): Act[] {
  const { entries, card, now, hasFinding, hasBegun } = room;
  if (hasFinding || hasBegun) return [];
  const kind = circuitOf(entries, card?.circuit);
  if (!kind) return [circuitAct()];
  const { fanOnC = [], fanSenses } = card ?? {};
  const state = findState(entries, kind, { fanOnC, ...(fanSenses && { fanSenses }), now });
  const offer = verdictOffer(state);
  if (offer)
    return [
      {
        id: `find:verdict:${offer.hypothesis}`,
        stage: "find",
        what: `Is it this: ${offer.name}?`,
        why: offer.because,
        minutes: 1,
        needs: ALONE,
        choices: [
          {
            id: "verdict",
            words: "Book the verdict",
            lines: () => [{ ...decided(offer.hypothesis, offer.name), stage: "find" }],
          },
        ],
      },
    ];
  const best = state.actions.find(({ kind: what }) => what === "test");
  if (!best)
    return [verdictInWords("find:no-test", "No test is left that can be done here and would tell more.")];
  const test = testsOf(CIRCUITS[kind]).find(({ id }) => id === best.id) ?? testOf(best.id);
  const engine = engineFor(test);
  return [
    {
      id: `find:test:${test.id}`,
      stage: "find",
      what: test.name,
      why: `${test.how} ${best.because}`,
      minutes: test.minutes,
      needs: {
        people: 1,
        tools: test.needs.filter((each) => !each.startsWith("engine")),
        ...(engine && { engine }),
      },
      ...(cautionsOf(test).length > 0 && { caution: cautionsOf(test).join(" ") }),
      choices: test.outcomes.map(({ id, name }) => ({
        id,
        words: name,
        lines: () => [
          { ...answeredTest({ test: test.id, outcome: id, circuit: kind }), stage: "find" as const },
        ],
      })),
    },
  ];
}
