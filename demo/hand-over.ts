import { guaranteed, proved, ranDistance, saidLook } from "../core/book/acts/index.ts";
import type { Entry } from "../core/book/entry/index.ts";
import { Distance, FollowUpSaid, factsOf, lastFact, Proof } from "../core/book/facts/index.ts";
import { partsState } from "../core/book/parts/index.ts";
import { promisesOf } from "../core/stages/plan/index.ts";
import { proofsOf, provenCar, unproven } from "../core/state/index.ts";
import type { NewEntry } from "../server/entries/record-entries.ts";
import type { DemoVehicle } from "./shop.ts";
import { demoId } from "./story.ts";

const ROAD_KM = 12;
const SEEN: Partial<Record<Proof["proof"], [verdict: Proof["verdict"], because: string]>> = {
  "fan-2": ["not-seen", "never reached at idle, low stage holds it"],
  road: ["pass", `${ROAD_KM} km over the hill, fan came and went`],
  direction: ["pass", "paper is drawn to the core"],
  "direction-left": ["pass", "paper is drawn to the core"],
  "direction-right": ["pass", "paper is drawn to the core"],
  gas: ["pass", "fluid stays blue"],
};
/** Days of guarantee by grade: the trade's usual ones. */
const DAYS = { "maker's": [730, 365], pattern: [365, 90], "all-metal": [1095, 365], used: [90, 0] } as const;

/** What a careful technician writes before the signature: what was proven, guarantees, the distance at hand-over. */
export function handOver(key: string, book: readonly Entry[], { card }: DemoVehicle, at: string): NewEntry[] {
  const line = (name: string, rest: Omit<NewEntry, "id" | "at">): NewEntry => ({
    id: demoId(`${key}:hand-over:${name}`),
    at,
    ...rest,
  });
  const rows = unproven(proofsOf(book, provenCar(card)));
  const proofs = rows
    .filter(({ verdict }) => verdict !== "fail")
    .map(({ proof, words }) => {
      const [verdict, because] = SEEN[proof] ?? ["pass", undefined];
      return line(proof, { ...proved({ proof, words }, verdict, because), stage: "prove" });
    });
  const guarantees = partsState(book).map(({ entryId, words, grade }) => {
    const [partDays, labourDays] = DAYS[grade as keyof typeof DAYS] ?? [365, 90];
    return line(entryId, { ...guaranteed({ entryId, words }, { partDays, labourDays }), stage: "sign" });
  });
  const came = lastFact(book, Distance)?.entry.value;
  const distance =
    came === undefined ? [] : [line("distance", { ...ranDistance(came + ROAD_KM), stage: "sign" })];
  return [...proofs, ...guarantees, ...distance];
}

/** Second looks of a signed job that were due before a day, each done on its own. */
export function keptPromises(key: string, book: readonly Entry[], before: string): NewEntry[] {
  const isSaid = new Set(factsOf(book, FollowUpSaid).map(({ fact }) => fact.key));
  return promisesOf(book)
    .filter(({ state, on, key: look }) => state === "open" && on && on < before && isSaid.has(look))
    .sort((a, b) => ((a.on ?? "") < (b.on ?? "") ? -1 : 1))
    .map(({ key: look, what, on }) => ({
      ...saidLook({ key: look, does: "done", what, because: "as it should be" }, "metric"),
      stage: "sign",
      id: demoId(`${key}:kept:${look}`),
      at: `${on}T08:20:00.000Z`,
    }));
}
