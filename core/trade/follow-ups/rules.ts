/** What of a job calls for a second look: coolant that moved, work on the fan's side, a school that wants to bleed again, or any job. */
export const CALLS = ["coolant", "fan", "second-bleed", "any"] as const;
export type Call = (typeof CALLS)[number];

/** One of a shop's rules: what is looked at again after such work, and by when. */
export interface FollowUpRule {
  /** Short and never changed, as promises are told apart by it. */
  id: string;
  /** What is looked at, as it is told to whoever goes and looks. */
  words: string;
  after: Call;
  /** At the latest so many days after the signature, 0 to 730. */
  days: number;
  /** Or after so many kilometres, whichever is first. */
  km?: number;
}

/** What a shop begins with. */
export const USUAL_RULES: readonly FollowUpRule[] = [
  // A night lets the last air rise and the level fall; nothing tells it sooner.
  { id: "cold-level", words: "level and cap, cold, before it drives", after: "coolant", days: 1 },
  { id: "second-bleed", words: "bleed once more", after: "second-bleed", days: 1 },
  // Small leaks show within a tank or two of fuel.
  { id: "level-again", words: "level again, and under it for trails", after: "coolant", days: 7, km: 500 },
  // No date is known for the first jam; two weeks have one in them for most.
  { id: "hot-traffic", words: "fans in the first hot traffic", after: "fan", days: 14 },
];
