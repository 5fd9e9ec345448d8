import { movedOver, proved, sawApart, sawLevel } from "../../book/acts/index.ts";
import type { EntryDraft } from "../../book/entry/index.ts";
import { moveOver, type ProofRow, whileApart } from "../../state/index.ts";
import { type Act, ALONE, type Choice, type Needs } from "./act.ts";
import { distanceAct } from "./ask-acts.ts";
import type { Room } from "./room.ts";

const MOST_WHY = 300;
const prove = (draft: EntryDraft): EntryDraft => ({ ...draft, stage: "prove" });
const build = (draft: EntryDraft): EntryDraft => ({ ...draft, stage: "build" });

/** What each proof asks of the engine; the others ask for nothing. */
const ENGINE: Partial<Record<ProofRow["proof"], Needs["engine"]>> = {
  log: "running",
  "fan-1": "running",
  "fan-2": "running",
  "fan-3": "running",
  "fan-4": "running",
  direction: "running",
  "direction-left": "running",
  "direction-right": "running",
  heater: "running",
  gauge: "running",
  "leaks-hot": "running",
  road: "running",
  "leaks-cold": "cold",
  pressure: "opened",
  cap: "opened",
  gas: "opened",
};
const MINUTES: Partial<Record<ProofRow["proof"], number>> = { log: 30, road: 20, pressure: 15, gas: 10 };
const CAUTION: Partial<Record<NonNullable<Needs["engine"]>, string>> = {
  running: "Engine running: doors open, extraction on. Loose sleeves away from belts and fans.",
};

function proofAct(row: ProofRow): Act {
  const { proof, words, how, verdict, because } = row;
  const engine = ENGINE[proof];
  const choices: Choice[] = [
    { id: "pass", words: "Seen", lines: () => [prove(proved(row, "pass"))] },
    {
      id: "fail",
      words: "It failed",
      wants: true,
      lines: ({ words: why = "" }) => [prove(proved(row, "fail", why.trim()))],
    },
    {
      id: "not-seen",
      words: "Can't be seen here",
      wants: true,
      lines: ({ words: why = "" }) => [prove(proved(row, "not-seen", why.trim()))],
    },
  ];
  const caution = engine && CAUTION[engine];
  return {
    id: `prove:${proof}`,
    stage: "prove",
    what: verdict === "fail" ? `Put it right, then see again: ${words}` : `See: ${words}`,
    why: [how, because].filter(Boolean).join(" "),
    ...(MINUTES[proof] !== undefined && { minutes: MINUTES[proof] }),
    needs: { ...ALONE, ...(engine && { engine }) },
    ...(caution && { caution }),
    field: { kind: "words", label: "What failed, or why it can't be seen", most: MOST_WHY },
    choices,
  };
}

/** What the work asks to be proven, that which needs the engine as it is now first: heat spoils what is seen cold. */
export function proofActs({ state }: Room): Act[] {
  const acts = state.open.flatMap(({ proof }) => (proof ? [proofAct(proof)] : []));
  const isCold = state.engine.heat === "cold";
  const fits = ({ needs: { engine } }: Act) =>
    engine === "running" ? !isCold : isCold || engine === undefined;
  return [...acts.filter(fits), ...acts.filter((act) => !fits(act))];
}

/** What sits on an old part still, and what the owner hasn't answered. */
export function wordActs({ entries }: Room): Act[] {
  const over = moveOver(entries)
    .filter(({ part, left }) => part.checked && left.length > 0)
    .map(({ part, left }): Act => {
      const all = (how: "moved" | "new" | "none") => () =>
        left.map((what) => build(movedOver(part, what, how)));
      return {
        id: `build:over:${part.entryId}`,
        stage: "build",
        what: `Move over to the ${part.words}: ${left.join(", ")}`,
        why: "What stays on the old part is missed when it is in.",
        minutes: 10,
        needs: ALONE,
        choices: [
          { id: "moved", words: "All moved over", lines: all("moved") },
          { id: "new", words: "All came with it", lines: all("new") },
          { id: "none", words: "None of it here", lines: all("none") },
        ],
      };
    });
  const advised = whileApart(entries)
    .filter(({ as }) => as === "advised")
    .map(
      ({ what }): Act => ({
        id: `build:advice:${what}`,
        stage: "build",
        what: `What does the owner say to a new ${what}?`,
        why: "It was advised, and nobody has said yes or no.",
        needs: ALONE,
        choices: [
          { id: "declined", words: "Declined", lines: () => [build(sawApart(what, "declined"))] },
          { id: "replaced", words: "Replaced", lines: () => [build(sawApart(what, "replaced"))] },
        ],
      }),
    );
  return [...over, ...advised];
}

/** What whoever reads the book later looks for, then the signature. */
export function signActs(room: Room): Act[] {
  const { state, terms, entries } = room;
  const missing = state.open.filter(({ about }) => about === "not-written");
  const nothingProven = missing.some(({ stage }) => stage === "prove");
  const noDistance = missing.some(({ stage }) => stage === "sign");
  const acts: Act[] = [];
  if (nothingProven)
    acts.push({
      id: "prove:something",
      stage: "prove",
      what: "Look at the level, cold",
      why: "Nothing shows yet that it does what it should: no log, no test, no level.",
      minutes: 3,
      needs: { people: 1, tools: [], engine: "cold" },
      choices: [
        { id: "line", words: "Cold, at the line", lines: () => [prove(sawLevel("line", "cold"))] },
        { id: "low", words: "Below the minimum", lines: () => [prove(sawLevel("low", "cold"))] },
      ],
    });
  if (noDistance)
    acts.push(
      distanceAct(
        "sign",
        "sign:distance",
        "What has it run now?",
        "People forget it at hand-over.",
        terms.ranKm,
      ),
    );
  if (state.open.length === 0 && entries.length > 0)
    acts.push({
      id: "sign",
      stage: "sign",
      what: "Sign the job",
      why: "Everything is accounted for.",
      minutes: 2,
      needs: ALONE,
      choices: [],
    });
  return acts;
}
