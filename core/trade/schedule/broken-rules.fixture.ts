import type { DayGiven, DayPlan, Slip } from "./index.ts";

/** What a plan does that it may not, in words, looked at slip by slip and apart from how it was laid. */
export function brokenRules(given: DayGiven, { slips, unplaced, cost }: DayPlan): string[] {
  const broken: string[] = [];
  const say = (slip: Slip, what: string) =>
    broken.push(`${slip.job} ${slip.act} ${slip.start}-${slip.end}: ${what}`);
  const actOf = (slip: Slip) =>
    given.jobs.find(({ id }) => id === slip.job)?.acts.find(({ id }) => id === slip.act);
  const meets = (a: { start: number; end: number }, b: { start: number; end: number }) =>
    a.start < b.end && b.start < a.end;
  const count = given.jobs.reduce((sum, { acts }) => sum + acts.length, 0);
  if (slips.length + unplaced.length !== count)
    broken.push(`${slips.length} laid and ${unplaced.length} left out of ${count}`);
  if (unplaced.some(({ because }) => because === "")) broken.push("left out without a reason");
  for (const slip of slips) {
    const act = actOf(slip);
    if (!act) {
      say(slip, "nobody asked for it");
      continue;
    }
    if (slip.end - slip.start !== act.minutes) say(slip, "was cut");
    if (act.at === undefined && slip.start < Math.max(given.now, act.notBefore ?? 0))
      say(slip, "begins too early");
    if (act.at !== undefined && slip.start !== act.at) say(slip, "isn't where it is held");
    if (new Set(slip.people).size !== (act.people ?? 1)) say(slip, "has the wrong count of people");
    if (act.by !== undefined && !slip.people.includes(act.by)) say(slip, "isn't with whom it is held");
    for (const id of slip.people) {
      const person = given.people.find((each) => each.id === id);
      if (!person || slip.start < person.from || slip.end > person.to) say(slip, `${id} isn't here`);
      if ((person?.breaks ?? []).some(([start, end]) => meets(slip, { start, end })))
        say(slip, `${id} has a break`);
    }
    for (const before of act.after ?? []) {
      const there = slips.find((each) => each.job === slip.job && each.act === before);
      const rest = there ? (actOf(there)?.restAfter ?? 0) : 0;
      if (act.at !== undefined && act.at < given.now) continue;
      if (!there || there.end + rest > slip.start) say(slip, `begins before ${before} lets it`);
    }
    if (Boolean(act.lift) !== (slip.lift !== undefined) || (slip.lift ?? 0) >= Math.max(1, given.lifts))
      say(slip, "has the wrong lift");
  }
  for (const [at, one] of slips.entries())
    for (const other of slips.slice(at + 1)) {
      const shared = one.people.filter((id) => other.people.includes(id));
      if (shared.length > 0 && meets(one, other))
        say(one, `${shared[0]} is at ${other.job} ${other.act} too`);
      const run = (slip: Slip) => ({ start: slip.start, end: slip.end + (actOf(slip)?.restAfter ?? 0) });
      if (
        shared.length > 0 &&
        one.job !== other.job &&
        actOf(one)?.hot &&
        actOf(other)?.hot &&
        meets(run(one), run(other))
      )
        say(one, `${shared[0]} has the engine of ${other.job} running too`);
    }
  const holds = new Map<string, { job: string; lift: number; start: number; end: number }>();
  for (const { job, lift, start, end } of slips) {
    if (lift === undefined) continue;
    const hold = holds.get(job) ?? { job, lift, start, end };
    if (hold.lift !== lift) broken.push(`${job} is on two lifts`);
    holds.set(job, { job, lift, start: Math.min(hold.start, start), end: Math.max(hold.end, end) });
  }
  const all = [...holds.values()];
  for (const [at, one] of all.entries())
    for (const other of all.slice(at + 1))
      if (one.lift === other.lift && meets(one, other))
        broken.push(`${one.job} and ${other.job} are both on lift ${one.lift}`);
  if (unplaced.length === 0) {
    const { lateMinute, openMinute, changeOfCar } = given.terms ?? {
      lateMinute: 10,
      openMinute: 1,
      changeOfCar: 3,
    };
    let sum = 0;
    for (const { id, promisedAt } of given.jobs) {
      const end = Math.max(given.now, ...slips.filter(({ job }) => job === id).map((slip) => slip.end));
      sum += (end - given.now) * openMinute + Math.max(0, end - (promisedAt ?? end)) * lateMinute;
    }
    for (const { id } of given.people) {
      const row = slips
        .filter(({ people }) => people.includes(id))
        .sort((a, b) => a.start - b.start || a.end - b.end);
      sum += row.filter((slip, at) => at > 0 && slip.job !== row[at - 1]?.job).length * changeOfCar;
    }
    if (sum !== cost) broken.push(`costs ${sum}, and says ${cost}`);
  }
  return broken;
}
