import { waits } from "../../book/acts/index.ts";
import { HoseFelt, lastFact, Signature, Waiting as Waits } from "../../book/facts/index.ts";
import { COOLS_IN_H, type JobState, notTogether, notToRun } from "../../state/index.ts";
import { isShut } from "../../trade/bleed/index.ts";
import { type Act, ALONE, type Next, type Waiting } from "./act.ts";
import { askActs } from "./ask-acts.ts";
import { causeActs } from "./cause-acts.ts";
import { bleedActs, capAct, levelActs, pourActs, stopAct } from "./fill-acts.ts";
import { lateFindingActs } from "./late-finding.ts";
import { planActs } from "./plan-acts.ts";
import { proofActs, signActs, wordActs } from "./prove-acts.ts";
import { type NextCard, type NextTerms, type Room, roomOf } from "./room.ts";
import { buildActs, stripActs, stripWaits } from "./work-acts.ts";

const MINUTE_MS = 60_000;
const HOUR_MS = 3_600_000;
/** Looked at so lately, and shut: nothing new is to be seen sooner. */
const LOOK_AGAIN_MS = 10 * MINUTE_MS;
const MOST_THEN = 4;

const isoOf = (ms: number) => new Date(ms).toISOString();

/** Acts of one part of the work; what comes later waits until there is nothing to do in the earlier ones. */
function phasesOf(room: Room, findActs: FindActs): Act[][] {
  const asks = askActs(room);
  const { hasBegun, hasFinding } = room;
  const isEarly = !hasBegun && !hasFinding;
  const level = levelActs(room);
  const isLow = level.filter(({ stage }) => stage === "fill");
  // Thinking a test out takes longer than all the rest: not before the owner was heard.
  if (isEarly)
    return [
      asks,
      asks.length > 0 ? [] : findActs(room),
      // What was pulled or let out for a test, where that keeps the next one from being done.
      buildActs(room),
      [...pourActs(room), ...bleedActs(room), ...level],
    ];
  return [
    [...causeActs(room), ...planActs(room)],
    stripActs(room),
    buildActs(room),
    [...pourActs(room), ...bleedActs(room), ...isLow],
    [...level.filter(({ stage }) => stage === "prove"), ...proofActs(room), ...wordActs(room)],
    [...asks, ...lateFindingActs(room), ...signActs(room)],
  ];
}

/** What somebody wrote that the job waits for, as long as it does. */
function writtenWait({ entries, nowMs }: Room): (Waiting & { isOver: boolean }) | undefined {
  const last = lastFact(entries, Waits);
  if (!last || last.fact.waitsFor === "hands") return undefined;
  const { waitsFor, until } = last.fact;
  const isOver = until !== undefined && Date.parse(until) <= nowMs;
  return { for: waitsFor, words: last.entry.text ?? "", ...(until && { until }), isOver };
}

/** A wait that nobody has given an end is ended by whoever sees that it is over. */
const overAct = ({ for: what, words }: Waiting): Act => ({
  id: `wait:${what}`,
  stage: "plan",
  what: `Is it over? It waits for ${what === "parts" ? "parts" : what === "night" ? "a night" : what === "owner" ? "the owner" : what}`,
  why: words || "Nobody has written for how long.",
  minutes: 1,
  needs: ALONE,
  choices: [{ id: "over", words: "It is over: go on", lines: () => [waits("hands", "somebody to go on")] }],
});

/** What can't be done while the job waits for something. */
const HELD_BY: Partial<Record<Waiting["for"], (act: Act, words: string) => boolean>> = {
  parts: ({ id, of = [] }, words) =>
    id.startsWith("plan:box:") || of.some((each) => words.toLowerCase().includes(each.toLowerCase())),
  night: ({ needs }) => needs.engine === "cold" || needs.engine === "opened",
  owner: ({ id }) => id.startsWith("build:advice:") || id.startsWith("plan:part"),
};

/** The last look at whether the cap may be opened, by a reading or by hand, milliseconds. */
function lastLookMs({ entries, state }: Room): number {
  const felt = lastFact(entries, HoseFelt);
  const read = state.engine.readings.at(-1);
  return Math.max(
    felt ? Date.parse(felt.entry.at) : Number.NEGATIVE_INFINITY,
    read ? read.atS * 1000 : Number.NEGATIVE_INFINITY,
  );
}

/** What cold work waits for: another look at the cap, or until it may be worth one. */
function capNext(room: Room, held: Act): { act?: Act; waits?: Waiting } {
  const { state, nowMs } = room;
  const { dueSince } = held;
  if (state.engine.isRunning) return held.isInHand ? { act: stopAct(room) } : {};
  const { readyAtS, because } = state.engine.cap;
  const again = lastLookMs(room) + LOOK_AGAIN_MS;
  const ready = readyAtS ? readyAtS.earliest * 1000 : 0;
  const until = Math.max(again, ready);
  if (until > nowMs) return { waits: { for: "heat", until: isoOf(until), words: because } };
  return { act: { ...capAct(room), ...(dueSince && { dueSince }) } };
}

/** Why an act can't be done now; nothing where it can. */
function heldBy(
  act: Act,
  room: Room,
  wait: Waiting | undefined,
): "wait" | "cap" | "cold" | "run" | undefined {
  const { engine, isTogether } = act.needs;
  if (wait && HELD_BY[wait.for]?.(act, wait.words)) return "wait";
  if (isTogether && notTogether(room.entries)) return "run";
  if (engine === "opened" && isShut(room.state.engine.cap)) return "cap";
  if (engine === "cold" && room.state.engine.heat !== "cold" && isShut(room.state.engine.cap)) return "cold";
  if (engine === "running" && notToRun(room.entries)) return "run";
  return undefined;
}

/** When an engine that ran stands cold, ISO; nothing where nobody knows when it ran. */
function coldAt({ state: { engine }, nowMs }: Room): string | undefined {
  const from = engine.ranUntil ?? engine.since;
  const ms = (from ? Date.parse(from) : nowMs) + COOLS_IN_H * HOUR_MS;
  return ms > nowMs ? isoOf(ms) : undefined;
}

/** What is dangerous, then what waits for a clock that has run out, then the step in hand, then the trade's order. */
function rankOf({ id, dueSince, isInHand }: Act): number {
  if (id === "fill:low") return 0;
  if (dueSince) return 1;
  return isInHand ? 2 : THE_REST;
}
/** What ranks before it comes to the front from whatever part of the work it is of. */
const THE_REST = 3;

/** What a wait that is over was for is due. */
const dueBy = (act: Act, wait: (Waiting & { isOver: boolean }) | undefined): Act =>
  wait?.isOver && wait.until && !act.dueSince && HELD_BY[wait.for]?.(act, wait.words)
    ? { ...act, dueSince: wait.until }
    : act;

const asWaiting = ({ for: what, until, words }: Waiting): Waiting => ({
  for: what,
  words,
  ...(until && { until }),
});

/** What is to be done in Find: thought out here, or left to its stage. */
export type FindActs = (room: Room) => Act[];

/** As `nextOf` says, with what is to be found told by `findActs`. */
export function nextWith(
  findActs: FindActs,
  state: JobState,
  card: NextCard | null,
  now: string,
  terms: NextTerms,
): Next {
  const room = roomOf(state, card, now, terms);
  // biome-ignore lint/suspicious/noThenProperty: the trade's word, and no promise is made of it
  if (lastFact(room.entries, Signature)) return { now: [], waiting: [], then: [] };
  const written = writtenWait(room);
  const wait = written?.isOver ? undefined : written;
  const waiting: Waiting[] = [...(wait ? [asWaiting(wait)] : []), ...stripWaits(room)];
  const free: Act[] = [];
  const later: Act[] = [];
  for (const acts of phasesOf(room, findActs)) {
    const here: Act[] = [];
    for (const each of acts) {
      const act = dueBy(each, written);
      const held = heldBy(act, room, wait);
      if (!held) here.push(act);
      else {
        later.push(act);
        if (held === "cap" || held === "cold") {
          const next = capNext(room, act);
          const isKnown = [...free, ...here].some(({ id }) => id === next.act?.id);
          if (next.act && !isKnown) here.push(next.act);
          if (next.waits && !waiting.some(({ for: what }) => what === "heat")) {
            const cold = held === "cold" ? coldAt(room) : undefined;
            waiting.push(cold ? { ...next.waits, until: cold } : next.waits);
          }
        }
      }
    }
    if (free.length === 0) free.push(...here);
    else {
      free.push(...here.filter((act) => rankOf(act) < THE_REST));
      later.push(...here.filter((act) => rankOf(act) >= THE_REST));
    }
  }
  if (free.length === 0 && wait && !wait.until) free.push(overAct(wait));
  const ranked = free
    .map((act, place) => ({ act, place }))
    .sort((a, b) => rankOf(a.act) - rankOf(b.act) || a.place - b.place);
  const running = ranked.map(({ act }) => act).filter(({ until }) => until);
  return {
    now: ranked.map(({ act }) => act),
    waiting: [
      ...waiting,
      ...running.map(({ what, until }): Waiting => ({ for: "clock", words: what, ...(until && { until }) })),
    ],
    // biome-ignore lint/suspicious/noThenProperty: the trade's word, and no promise is made of it
    then: later.filter(({ id }) => id !== "cap").slice(0, MOST_THEN),
  };
}
