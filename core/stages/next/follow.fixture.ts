import type { Entry } from "../../book/entry/index.ts";
import { withDrafts } from "../../state/any-book.fixture.ts";
import { jobState } from "../../state/index.ts";
import type { Act, Choice, Next, Said } from "./act.ts";
import { nextOf } from "./next-of.ts";
import type { NextCard } from "./room.ts";

const MINUTE_MS = 60_000;
const NIGHT_MS = 10 * 3_600_000;
const MOST_TURNS = 400;

export const CARD: NextCard = {
  capacityL: 8,
  targetFraction: 0.5,
  coolantKind: "oat",
  fillPoint: "expansion tank",
  bleedPoints: "none",
  fanOnC: [94, 101],
  capGaugeKpa: 110,
  circuit: "switch-2",
};

/** What a person types: what the program knows, else something of the kind; who can wait reads a cool engine. */
function saidTo({ field }: Act, random: () => number): Said {
  if (!field) return {};
  if (field.kind === "words") return { words: field.known?.value ?? "as it was seen at the car" };
  const { least, most, known } = field;
  // Nothing more goes in: the air is out.
  if (least === 0 && !known) return { figure: 0 };
  return { figure: known?.value ?? Math.round((least + random() * Math.min(most - least, 1)) * 100) / 100 };
}

/** Whoever has let it stand for hours squeezes the hose and finds it cool; whoever hasn't, hard. */
function chosenOf(act: Act, stoodMs: number, random: () => number): Choice | undefined {
  if (act.id === "cap") return act.choices.find(({ id }) => id === (stoodMs >= NIGHT_MS ? "soft" : "hard"));
  const place = random() < 0.8 ? 0 : Math.floor(random() * act.choices.length);
  return act.choices[place];
}

export interface Followed {
  entries: Entry[];
  now: string;
  history: string[];
  last: Next;
  /** What a book would not take of what was offered. */
  refused: string[];
}

/** Somebody who does nothing but what is in hand, from these lines on, until there is nothing more; waits pass. */
export function follow(
  start: readonly Entry[],
  random: () => number,
  card: NextCard | null = CARD,
  look?: (next: Next, entries: readonly Entry[], now: string) => void,
): Followed {
  let entries = [...start];
  let nowMs = Math.max(Date.UTC(2031, 2, 4, 8), ...entries.map(({ at }) => Date.parse(at))) + MINUTE_MS;
  let stoodFrom = nowMs;
  const history: string[] = [];
  const refused: string[] = [];
  const ask = () =>
    nextOf(jobState(entries, card, new Date(nowMs).toISOString()), card, new Date(nowMs).toISOString());
  let next = ask();
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    look?.(next, entries, new Date(nowMs).toISOString());
    const [act] = next.now;
    if (act?.id === "sign" || (!act && next.waiting.length === 0)) break;
    if (!act || act.until) {
      const until = act?.until ?? next.waiting.map((each) => each.until).find(Boolean);
      const isHeat = next.waiting.some(({ for: what }) => what === "heat");
      nowMs = Math.max(nowMs + (isHeat ? NIGHT_MS : MINUTE_MS), until ? Date.parse(until) : nowMs + NIGHT_MS);
      history.push(
        `waits until ${new Date(nowMs).toISOString()}: ${next.waiting.map(({ words }) => words).join("; ")}`,
      );
    } else {
      const choice = chosenOf(act, nowMs - stoodFrom, random);
      const drafts = choice?.lines(saidTo(act, random)) ?? [];
      history.push(`${act.id}: ${act.what}: ${choice?.words}`);
      nowMs += MINUTE_MS * Math.max(1, Math.round(act.minutes ?? 1));
      const written = withDrafts(entries, drafts, new Date(nowMs).toISOString());
      if (written.refused.length > 0 || drafts.length === 0)
        refused.push(`${act.id} ${choice?.id}: ${written.refused.join("; ") || "books nothing"}`);
      if (refused.length > 0) break;
      entries = written.entries;
      if (act.needs.engine === "running" || act.id.startsWith("fill:bleed")) stoodFrom = nowMs;
    }
    next = ask();
  }
  return { entries, now: new Date(nowMs).toISOString(), history, last: next, refused };
}
