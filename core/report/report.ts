import { dueWords } from "../book/acts/index.ts";
import { printedHash } from "../book/chain/index.ts";
import { type Entry, STAGES, type Stage, standing } from "../book/entry/index.ts";
import {
  Codes,
  Distance,
  Finding,
  factsOf,
  Guarantee,
  guaranteeWords,
  OwnTest,
  Signature,
  Strength,
  TestOutcome,
  WarmUpLog,
} from "../book/facts/index.ts";
import { partsState } from "../book/parts/index.ts";
import { format, formatBothTemperatures, inShownUnits, type System } from "../kernel/units/index.ts";
import { promisesOf } from "../stages/plan/index.ts";
import {
  type CoolantBalance,
  complaintOf,
  coolantBalance,
  coolantState,
  findingOf,
  openItems,
  pouredMix,
  proofsOf,
  provenCar,
  whileApart,
} from "../state/index.ts";
import { atmosphereKPa, type Base, boilingPointC, freezePointC, STRONGEST } from "../trade/coolant/index.ts";
import { correctionsAfter } from "./corrections.ts";
import type { JobReport, ReportRow } from "./job-report.ts";
import { ownerText } from "./owner-text.ts";
import { fromSentence, type WhereFrom } from "./where-from.ts";

export interface ReportInput {
  entries: readonly Entry[];
  job: { number: number; signedAt: string | null; signedBy: string | null; signReason: string | null };
  vehicle: { plate: string; name: string; vin: string | null; distanceKm: number | null };
  card: {
    capacityL: number;
    coolantKind: string;
    coolantProduct: string;
    coolantApproval: string;
    targetFraction: number;
    capGaugeKpa: number;
    fanOnC: readonly number[];
  } | null;
  /** Names of people by their ids. */
  names: Readonly<Record<string, string>>;
  system: System;
  altitudeM?: number;
  /** Of a job that was read in from a file. */
  from?: WhereFrom;
  /** Of the book's last line, in hexadecimal digits. */
  lastHash?: string;
  /** A moment as the shop writes dates. */
  dateOf: (iso: string) => string;
}

const STAGE_WORDS: Record<Stage, string> = {
  ask: "took it in",
  find: "found the fault",
  plan: "planned",
  strip: "took apart",
  build: "built",
  fill: "filled and bled",
  prove: "proved",
  sign: "signed",
};

const percent = (share: number) => `${Math.round(share * 100)}\u00a0%`;

function partRows(entries: readonly Entry[]): JobReport["parts"] {
  const given = new Map(factsOf(entries, Guarantee).map(({ fact }) => [fact.part, fact]));
  return partsState(entries)
    .filter(({ refused }) => !refused)
    .map(({ words, grade, supplier, entryId, fitted }) => {
      const of = given.get(entryId);
      return {
        part: words,
        grade,
        supplier,
        guarantee: of ? guaranteeWords(of) : "not said",
        isFitted: fitted !== undefined,
      };
    });
}

const poursIn = (entries: readonly Entry[]) =>
  standing(entries).filter(
    ({ account, item, in: poured }) => account === "coolant" && item === "poured" && (poured ?? 0) > 0,
  );

const BASES = ["ethylene", "propylene"] as const;

/** Where a mix freezes and boils under its cap; where nobody said of which glycol it is, what holds for either. */
function standsWords(
  fraction: number,
  base: Base | undefined,
  capGaugeKpa: number | undefined,
  system: System,
  altitudeM: number,
): string {
  const bases = base ? [base] : BASES;
  const celsius = (value: number) => formatBothTemperatures(Math.round(value), system);
  const freezesC = Math.max(...bases.map((each) => freezePointC(each, fraction)));
  const boils =
    capGaugeKpa === undefined
      ? ""
      : `, boils at ${celsius(Math.min(...bases.map((each) => boilingPointC(each, fraction, atmosphereKPa(altitudeM) + capGaugeKpa))))} under its cap`;
  return `as ${base ? `${base} glycol` : "either glycol"} it freezes at ${celsius(freezesC)}${boils}`;
}

/** So far apart, and a strength is not known. */
const UNREAD_APART = 0.12;

/** How strong what is in it is, by all that moved and was read; where it freezes and boils. */
function strengthWords(
  entries: readonly Entry[],
  card: ReportInput["card"],
  system: System,
  altitudeM: number,
): string {
  const isTold = poursIn(entries).every(({ data }) => data?.fact === Strength.fact);
  if (!card) {
    if (!isTold) return "not written of all that went in";
    return `${percent(pouredMix(entries, STRONGEST).fraction)} was poured; nobody has written what it holds`;
  }
  const { fraction, base, read } = coolantState(entries, card);
  if (!isTold && !read) return "not written of all that went in";
  if (fraction.likely > STRONGEST)
    return `${percent(fraction.likely)}: over 60 % it freezes sooner again, it has to be thinned`;
  if (fraction.high - fraction.low > UNREAD_APART)
    return `${percent(fraction.low)} to ${percent(fraction.high)}, nobody has read what stayed in it: at the least, ${standsWords(fraction.low, base, card.capGaugeKpa, system, altitudeM)}`;
  return `${percent(fraction.likely)}: ${standsWords(fraction.likely, base, card.capGaugeKpa, system, altitudeM)}`;
}

/** The names of what was poured, each once; what nobody named is said to be so where something else was. */
function productsPoured(entries: readonly Entry[]): string[] {
  const pours = poursIn(entries);
  const named = pours.map(({ data }) => (data?.fact === Strength.fact ? data.product : undefined));
  const known = [...new Set(named.filter((name) => typeof name === "string"))];
  return known.length > 0 && named.length > named.filter(Boolean).length
    ? [...known, "and some that nobody named"]
    : known;
}

function outAndIn(sums: CoolantBalance, system: System): string {
  const out = sums.drainedL + sums.spilledL + sums.keptInPartsL + sums.missingAtArrivalL;
  const told = sums.isOutUntold
    ? out > 0
      ? `${format(out, "volume", system)} measured as it came out and more that wasn't`
      : "not measured as it came out"
    : `${format(out, "volume", system)} out`;
  return `${told}, ${format(sums.addedL, "volume", system)} in`;
}

function coolantRows({ entries, card, system, altitudeM = 0 }: ReportInput): ReportRow[] {
  const sums = coolantBalance(entries);
  if (!sums.moved) return [];
  const litres = (value: number) => format(value, "volume", system);
  const rows: ReportRow[] = [];
  if (card)
    rows.push({
      name: "Its card asks for",
      words: [card.coolantKind.toUpperCase(), card.coolantProduct, card.coolantApproval]
        .filter(Boolean)
        .join(", "),
    });
  const products = productsPoured(entries);
  if (products.length > 0) rows.push({ name: "Went in", words: products.join("; ") });
  rows.push({ name: "Out and in", words: outAndIn(sums, system) });
  const rest = litres(Math.abs(sums.unaccountedL));
  rows.push({
    name: "Balance",
    words: sums.isOutUntold
      ? "can't be told: what came out was not measured"
      : sums.withinTolerance
        ? `level within ${litres(sums.toleranceL)}, which is what jugs can tell`
        : sums.unaccountedL > 0
          ? `${rest} not accounted for`
          : `${rest} more went in than is known to have come out`,
  });
  if (sums.addedL > 0)
    rows.push({ name: "Strength in it", words: strengthWords(entries, card, system, altitudeM) });
  return rows;
}

function evidenceRows(entries: readonly Entry[], system: System): JobReport["evidence"] {
  const finding = factsOf(entries, Finding).at(-1)?.entry;
  const tests = [...factsOf(entries, TestOutcome), ...factsOf(entries, OwnTest)]
    .filter(({ entry }) => !finding || entry.order <= finding.order)
    .sort((a, b) => a.entry.order - b.entry.order)
    .map(({ fact, entry }) => ({
      words: inShownUnits([entry.item, entry.text].filter(Boolean).join(": "), system),
      verdict: fact.verdict,
      line: entry.seq,
    }));
  const logs = factsOf(entries, WarmUpLog)
    .filter(({ entry }) => finding && entry.order <= finding.order)
    .flatMap(({ fact, entry }) =>
      Object.values(fact.checks)
        .filter((check) => check && check.verdict !== "not-seen")
        .map((check) => ({
          words: inShownUnits(check?.because ?? "", system),
          verdict: check?.verdict ?? ("not-seen" as const),
          line: entry.seq,
        })),
    );
  return [...tests, ...logs];
}

function distanceWords(entries: readonly Entry[], system: System): string {
  const read = factsOf(entries, Distance).flatMap(({ entry }) => (entry.value === undefined ? [] : [entry]));
  const [first] = read;
  const last = read.at(-1);
  if (!first || !last) return "not read";
  const km = (entry: Entry) => format(entry.value ?? 0, "distance", system);
  return last.stage === "sign" || last.stage === "prove"
    ? first === last
      ? `${km(last)} at hand-over`
      : `${km(first)} as it came, ${km(last)} at hand-over`
    : `${km(first)} as it came, not read at hand-over`;
}

function peopleRows(entries: readonly Entry[], names: ReportInput["names"]): ReportRow[] {
  const by = new Map<string, Set<Stage>>();
  for (const entry of standing(entries)) {
    const stages = by.get(entry.by) ?? new Set();
    stages.add(entry.stage);
    by.set(entry.by, stages);
  }
  return [...by].map(([id, stages]) => ({
    name: names[id] ?? "somebody",
    words: STAGES.filter((stage) => stages.has(stage))
      .map((stage) => STAGE_WORDS[stage])
      .join(", "),
  }));
}

/**
 * The report of a job from its book: what was wanted and found, on what evidence, what went in and under which guarantee, the
 * coolant, what was proven and what wasn't, advice, who did what, second looks, and what was corrected after the signature. Nothing
 * is said that the book doesn't say; what nobody wrote down is named as that.
 */
export function reportOf(input: ReportInput): JobReport {
  const { entries, job, vehicle, card, names, system, dateOf } = input;
  const finding = findingOf(entries);
  const signature = factsOf(entries, Signature).at(-1);
  const codes = factsOf(entries, Codes).map(({ entry }) => entry.text ?? "");
  const proofs = proofsOf(entries, provenCar(card));
  const apart = whileApart(entries).filter(({ as }) => as && as !== "sound");
  const rows: ReportRow[] = [
    { name: "Complaint", words: complaintOf(entries) ?? "not written" },
    {
      name: "Found",
      words: finding ? [finding.words, finding.cause].filter(Boolean).join("; ") : "not written",
    },
    { name: "Distance", words: distanceWords(entries, system) },
    ...(codes.length > 0 ? [{ name: "Codes", words: codes.join("; ") }] : []),
  ];
  const report: Omit<JobReport, "owner"> = {
    title: `${vehicle.plate}, job ${job.number}`,
    ...(job.signedAt ? { signed: `${job.signedBy ?? "somebody"}, ${dateOf(job.signedAt)}` } : {}),
    ...(job.signReason ? { reason: job.signReason } : {}),
    vehicle: [
      { name: "Plate", words: vehicle.plate },
      { name: "Model", words: vehicle.name || "not known" },
      { name: "VIN", words: vehicle.vin ?? "not read" },
    ],
    job: rows,
    evidence: evidenceRows(entries, system),
    parts: partRows(entries),
    coolant: coolantRows(input),
    proofs: proofs.map(({ words, verdict, because }) => ({
      words,
      verdict,
      ...(because ? { because: inShownUnits(because, system) } : {}),
    })),
    advice: apart.map(({ what, as, text }) => ({
      name: what,
      as: as === "replaced" || as === "declined" ? as : ("advised" as const),
      words: [as === "replaced" ? "replaced" : as === "declined" ? "advised and declined" : "advised", text]
        .filter(Boolean)
        .join(": "),
    })),
    open: signature
      ? signature.fact.open.map((words) => inShownUnits(words, system))
      : openItems(entries, system).map(({ words }) => words),
    looks: promisesOf(entries).map(({ what, on, byKm, state, said }) => ({
      what,
      when: dueWords({ ...(on && { on }), ...(byKm !== undefined && { byKm }) }, system),
      state,
      ...(said ? { said } : {}),
    })),
    people: peopleRows(entries, names),
    ...(input.from ? { from: fromSentence(input.from, dateOf) } : {}),
    book: { lines: entries.length, ...(input.lastHash ? { hash: printedHash(input.lastHash) } : {}) },
    corrections: correctionsAfter(entries, system).map((each) => ({
      ...each,
      by: names[each.by] ?? "somebody",
    })),
  };
  const sums = coolantBalance(entries);
  const moved = sums.moved ? outAndIn(sums, system) : undefined;
  return { ...report, owner: ownerText({ ...report, finding, complaint: complaintOf(entries), moved }) };
}
