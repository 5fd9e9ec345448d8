import { complained, ranDistance } from "../../book/acts/index.ts";
import { Complaint, Distance, factsOf } from "../../book/facts/index.ts";
import { MOST_KM } from "../../trade/car/index.ts";
import { type Act, ALONE } from "./act.ts";
import type { Room } from "./room.ts";

const MOST_LETTERS = 2000;

/** What the owner says, and what the car has run. */
export function askActs({ entries, terms }: Room): Act[] {
  const acts: Act[] = [];
  if (factsOf(entries, Complaint).length === 0)
    acts.push({
      id: "ask:complaint",
      stage: "ask",
      what: "Write down what the owner says",
      why: "In their words: what it does, when, and what was done before. Find starts from it.",
      minutes: 2,
      needs: ALONE,
      field: { kind: "words", label: "Complaint, in their words", most: MOST_LETTERS },
      choices: [
        {
          id: "book",
          words: "Book it",
          wants: true,
          lines: ({ words = "" }) => [{ ...complained(words.trim()), stage: "ask" }],
        },
      ],
    });
  if (factsOf(entries, Distance).length === 0)
    acts.push(
      distanceAct(
        "ask",
        "ask:distance",
        "What has it run?",
        "Part lives and second looks count from it.",
        terms.ranKm,
      ),
    );
  return acts;
}

/** The car's distance, read at a stage. */
export function distanceAct(
  stage: "ask" | "sign",
  id: string,
  what: string,
  why: string,
  ranKm: number | null | undefined,
): Act {
  return {
    id,
    stage,
    what,
    why,
    minutes: 1,
    needs: ALONE,
    field: {
      kind: "figure",
      label: "Distance",
      dimension: "distance",
      least: 0,
      most: MOST_KM,
      ...(ranKm !== null && ranKm !== undefined && { known: { value: ranKm, from: "as last read" } }),
    },
    choices: [
      {
        id: "book",
        words: "Book it",
        wants: true,
        lines: ({ figure = 0 }) => [{ ...ranDistance(figure), stage }],
      },
    ],
  };
}
