import type { BalanceLine } from "../book/out/index.ts";
import type { LineContext, LineDraft, LineReading } from "./line.ts";

export interface Case {
  file: string;
  line: string;
  meaning: string;
}

/** The lines of one file of the corpus, each with what it must mean. */
export function casesOf(file: string, text: string): Case[] {
  const cases: Case[] = [];
  let meaning = "";
  for (const line of text.split("\n")) {
    if (line === "" || line.startsWith("#")) continue;
    if (line.startsWith("= ")) meaning = line.slice(2);
    else cases.push({ file, line, meaning });
  }
  return cases;
}

const out = (account: BalanceLine["account"], place: string, item: string, open = 1): BalanceLine => ({
  account,
  place,
  item,
  out: open,
  in: 0,
  open,
});

/** The job that the corpus is typed into. */
export const jobOf = (system: "metric" | "us"): LineContext => ({
  stage: "strip",
  system,
  open: [
    out("fastener", "bag 2", "M6×20", 3),
    out("fastener", "bag 3", "M8×25", 2),
    out("fastener", "bag 3", "washer", 2),
    out("clip", "undertray", "clip", 8),
    out("connector", "left fan", "plug"),
    out("tool", "", "magnet"),
    out("hose", "upper", "hose"),
    out("hose", "lower", "hose"),
    out("hose", "radiator overflow", "hose"),
    out("part", "", "radiator"),
    out("line-cap", "", "oil cooler", 2),
  ],
  book: [
    { seq: 13, id: "e13", correctable: false, kind: "movement" },
    { seq: 14, id: "e14", correctable: true, kind: "movement" },
    { seq: 15, id: "e15", correctable: true, kind: "reading", stays: "A log stays as it was handed in" },
  ],
});

/** The job that is muttered into: on Find, with a tool and a plug out; what a line says of a time counts from its `now`. */
export const mutteredJobOf = (system: "metric" | "us", stage: LineContext["stage"]): LineContext => {
  const job = jobOf(system);
  return {
    ...job,
    stage,
    now: MUTTERED_AT,
    capacityL: 9.3,
    open: [...job.open, out("tool", "", "10 mm socket")],
  };
};
const MUTTERED_AT = "2026-03-03T10:00:00.000Z";

const figure = (value: number) => String(Number(value.toPrecision(9)));

function short(entry: LineDraft): string {
  const data = (entry.data ?? {}) as Record<string, unknown>;
  const place = entry.place ? ` @${entry.place}` : "";
  if (entry.corrects && !entry.item && !entry.text && !entry.data) return `strike ${entry.corrects.slice(1)}`;
  const said = () => {
    if (entry.account === "coolant") {
      const litres = figure(entry.in ?? entry.out ?? 0);
      return `coolant ${entry.item} ${litres}${data.fraction === undefined ? "" : ` %${data.fraction}`}${place}${entry.text ? ` #${entry.text}` : ""}`;
    }
    if (entry.kind === "movement") {
      const direction = entry.out === undefined ? "in" : "out";
      return `${direction} ${entry.out ?? entry.in} ${entry.account} ${entry.item}${place}${entry.text ? ` #${entry.text}` : ""}`;
    }
    if (data.fact === "test-outcome") return `finds ${data.test} ${data.outcome}`;
    if (data.fact === "codes") return `codes ${entry.text}`;
    if (data.fact === "mix-read") return `mix ${data.fraction}${data.base ? ` ${data.base}` : ""}`;
    if (data.fact === "proof") return `proof ${data.proof} ${data.verdict}`;
    if (data.fact === "bleed-sign") return `sign ${data.sign} ${data.verdict}`;
    if (data.fact === "pressure-read") {
      const ago = entry.at ? ` ${(Date.parse(MUTTERED_AT) - Date.parse(entry.at)) / 60_000} min ago` : "";
      return `pressure ${figure(entry.value ?? 0)} kPa${data.begins ? " begins" : ""}${ago}`;
    }
    if (data.fact === "to-get") return `to-get ${data.count} ${entry.item}${place}: ${data.because}`;
    if (data.fact === "coolant-level") return `level ${data.level}${data.heat ? ` ${data.heat}` : ""}`;
    if (data.fact === "hose-felt") return `hose ${data.upper}`;
    if (entry.kind === "reading")
      return `reads ${entry.item} ${figure(entry.value ?? 0)} ${entry.unit}${place}${data.fan ? ` ~${data.fan}` : ""}`;
    if (entry.kind === "test") return `test ${data.verdict} ${entry.item}`;
    return `note ${entry.text}`;
  };
  return entry.corrects ? `correct ${entry.corrects.slice(1)}: ${said()}` : said();
}

/** A reading in the corpus' own words. */
export const meaningOf = ({ entry, more }: LineReading): string => [entry, ...more].map(short).join("; ");

const DIGITS = /-?\d+(?:\.\d+)?/g;

/** Whether two meanings are one: figures to a thousandth, since US units never come out round. */
export function isSameMeaning(a: string, b: string): boolean {
  if (a.replace(DIGITS, "0") !== b.replace(DIGITS, "0")) return false;
  const [left, right] = [a.match(DIGITS) ?? [], b.match(DIGITS) ?? []];
  return left.every((text, index) => {
    const [x, y] = [Number(text), Number(right[index])];
    return Math.abs(x - y) <= 1e-3 * Math.max(1, Math.abs(x)) * 0.01 + 1e-3;
  });
}
