import { stepBackDrafts, stepDoneDrafts } from "../book/acts/index.ts";
import { admit } from "../book/admit/index.ts";
import { book as numbered } from "../book/entry/book.fixture.ts";
import { type Entry, STAGES, standing } from "../book/entry/index.ts";
import {
  BleedStep,
  Bypass,
  CheckedPart,
  ChosenPart,
  CoolantLevel,
  dataOf,
  FitCheck,
  Got,
  RefusedPart,
  SeenApart,
  StepBack,
  Task,
  TaskDone,
  TestOutcome,
} from "../book/facts/index.ts";
import { outNow, stepsOff, toGetDraft } from "../book/out/index.ts";
import { SCHOOLS } from "../trade/bleed/index.ts";
import { FEATURES, FIT_CHECKS, stepsFor } from "../trade/order/index.ts";

type Random = () => number;
type Draft = Partial<Entry>;

const STEPS = stepsFor("radiator", FEATURES);
const CHECKS = FIT_CHECKS.flatMap(({ checks }) => checks);
const THINGS: Draft[] = [
  { account: "fastener", item: "M6×20", place: "bag 1" },
  { account: "fastener", item: "M6×20", place: "bag 2" },
  { account: "fastener", item: "M8×25", place: "bag 2" },
  { account: "clip", item: "clip", place: "undertray" },
  { account: "connector", item: "plug", place: "left fan" },
  { account: "connector", item: "plug", place: "right fan" },
  { account: "part", item: "radiator" },
  { account: "part", item: "undertray" },
  { account: "hose", item: "hose", place: "upper" },
  { account: "tool", item: "magnet" },
];

/** One line, or the few that one tap books, as somebody might write it after what stands there; it may well be refused. */
function anyDrafts(entries: readonly Entry[], random: Random): Draft[] {
  const one = <Each>(all: readonly Each[]): Each | undefined => all[Math.floor(random() * all.length)];
  const some = (most: number) => 1 + Math.floor(random() * most);
  const said = (fact: string) => standing(entries).filter(({ data }) => data?.fact === fact);
  const now = standing(entries);
  const litres = Math.round(random() * 40) / 10;
  const makers: (() => Draft[])[] = [
    () => [{ kind: "movement", ...one(THINGS), out: some(4) }],
    () => [{ kind: "movement", ...one(THINGS), out: some(2) }],
    () => {
      const out = one(outNow(entries));
      return out
        ? [{ kind: "movement", account: out.account, item: out.item, place: out.place, in: some(out.open) }]
        : [];
    },
    () => [
      {
        kind: "movement",
        account: "coolant",
        item: one(["drained", "spilled", "kept", "missing"]),
        out: litres,
      },
    ],
    () => [{ kind: "movement", account: "coolant", item: one(["poured", "poured", "capacity"]), in: litres }],
    () => {
      const step = one(STEPS);
      return step ? stepDoneDrafts(step, entries) : [];
    },
    () => {
      const off = one(stepsOff(entries));
      return off
        ? stepBackDrafts(
            off,
            CHECKS.filter(() => random() < 0.3),
            entries,
          )
        : [];
    },
    () => {
      const off = one(said("step-done"));
      const step = off?.data?.step;
      return off && typeof step === "string"
        ? [{ kind: "note", data: dataOf(StepBack, { done: off.id, step, seen: [] }) }]
        : [];
    },
    () => [
      {
        kind: "note",
        data: dataOf(FitCheck, { check: one(CHECKS)?.id ?? "", verdict: random() < 0.5 ? "pass" : "fail" }),
      },
    ],
    () => [{ kind: "note", item: "bracket", data: dataOf(Task, { minutes: 10 }) }],
    () => [{ kind: "note", data: dataOf(TaskDone, { task: one(said("task"))?.id ?? "none" }) }],
    () => [
      {
        kind: "decision",
        item: one(["radiator", "fan", "thermostat"]),
        data: dataOf(ChosenPart, { grade: "pattern", supplier: "Coldbrook Parts" }),
      },
    ],
    () => [
      {
        kind: "decision",
        data: dataOf(CheckedPart, {
          part: one(said("chosen-part"))?.id ?? "none",
          afterAll: random() < 0.5 || undefined,
        }),
      },
    ],
    () => [
      {
        kind: "decision",
        data: dataOf(RefusedPart, {
          part: one(said("chosen-part"))?.id ?? "none",
          because: "bent",
          afterAll: random() < 0.5 || undefined,
        }),
      },
    ],
    () => {
      const { item = "", place } = one(THINGS) ?? {};
      const because = one(["broke", "missing", "fit"] as const) ?? "fit";
      return [toGetDraft(entries, { item, place, count: some(3), because, word: because })];
    },
    () => [{ kind: "note", data: dataOf(Got, { line: one(said("to-get"))?.id ?? "none" }) }],
    () => [
      {
        kind: "decision",
        item: one(["fan switch", "heater core"]),
        data: dataOf(Bypass, { does: random() < 0.6 ? "on" : "off" }),
      },
    ],
    () => [
      {
        kind: "reading",
        item: "coolant level",
        data: dataOf(CoolantLevel, {
          level: one(["max", "line", "min", "low", "empty"] as const) ?? "line",
          heat: one(["cold", "hot", undefined] as const),
        }),
      },
    ],
    () => [
      {
        kind: "decision",
        item: "bleeding",
        data: dataOf(BleedStep, {
          school: one(SCHOOLS) ?? "open-cap",
          step: some(4) - 1,
          does: one(["starts", "ends", "stops"] as const) ?? "starts",
        }),
      },
    ],
    () => [
      {
        kind: "note",
        item: "upper hose",
        data: dataOf(SeenApart, {
          what: one(["upper hose", "belt"]) ?? "belt",
          as: one(["sound", "advised", "declined", "replaced"] as const) ?? "sound",
        }),
      },
    ],
    () => [
      {
        kind: "test",
        item: "warm-up",
        data: dataOf(TestOutcome, { test: "warm-up", outcome: "boils", verdict: "fail" }),
      },
    ],
    () => [{ kind: "reading", item: "coolant sensor", value: Math.round(20 + random() * 110), unit: "°C" }],
    // A slip put right, or taken back, whenever it is found.
    () => {
      const wrong = one(now.filter(({ kind }) => kind === "movement"));
      if (!wrong) return [];
      const { kind, account, item, place } = wrong;
      const right = wrong.out === undefined ? { in: some(3) } : { out: some(4) };
      return [{ corrects: wrong.id, kind, account, item, place, ...(random() < 0.5 ? right : {}) }];
    },
    () => {
      const wrong = one(now);
      return wrong ? [{ corrects: wrong.id, kind: wrong.kind }] : [];
    },
  ];
  return one(makers)?.() ?? [];
}

/** The book with these lines behind it, as far as each may be written there; the lines that may not are left out. */
export function withDrafts(
  entries: readonly Entry[],
  drafts: readonly Draft[],
  now?: string,
): { entries: Entry[]; refused: string[] } {
  const all = [...entries];
  const refused: string[] = [];
  for (const draft of drafts) {
    const at = now ?? new Date(Date.UTC(2031, 2, 4, 8, all.length)).toISOString();
    const id = `e${all.length + 1}`;
    const [entry] = numbered([{ stage: "build", ...draft, id, seq: all.length + 1, at }]);
    if (!entry) continue;
    const refusal = admit(all, entry, { isSigned: false });
    if (refusal) refused.push(refusal.message);
    else all.push(entry);
  }
  return { entries: all, refused };
}

/** A book of so many lines as hands write them: everything that moves, is said, is put right and taken back, in any order. */
export function anyBook(lines: number, random: Random): Entry[] {
  let entries: Entry[] = [];
  for (let tries = 0; entries.length < lines && tries < lines * 4; tries++) {
    const stage = STAGES[Math.floor(random() * STAGES.length)];
    entries = withDrafts(
      entries,
      anyDrafts(entries, random).map((draft) => ({ stage, ...draft })),
    ).entries;
  }
  return entries;
}
