import { type Dimension, format, type System } from "../../units/index.ts";
import { COOLANT_ITEMS, type CoolantItem, type Entry, type EntryDraft } from "../entry.ts";
import { thing } from "../words.ts";

const DIMENSIONS: Record<string, Dimension> = {
  "°C": "temperature",
  L: "volume",
  kPa: "pressure",
  km: "distance",
  rpm: "revs",
  V: "voltage",
  Ω: "resistance",
};

const VERDICTS = { pass: "pass", fail: "fail", "not-seen": "not seen" } as const;
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** An entry's figure with its unit in the system shown, or nothing where it carries none. */
export function valueWords(entry: EntryDraft | Entry, system: System): string | undefined {
  if (entry.value === undefined) return undefined;
  const dimension = DIMENSIONS[entry.unit ?? ""];
  return dimension ? format(entry.value, dimension, system) : `${entry.value} ${entry.unit ?? ""}`.trim();
}

function describeMovement(entry: EntryDraft | Entry, system: System): string {
  if (entry.account === "coolant") {
    const what = COOLANT_ITEMS[entry.item as CoolantItem] ?? entry.item ?? "";
    const litres = format(entry.in ?? entry.out ?? 0, "volume", system);
    const strength =
      typeof entry.data?.fraction === "number" ? `, ${format(entry.data.fraction, "fraction", system)}` : "";
    const sign = entry.item === "capacity" ? (entry.in === undefined ? "less " : "more ") : "";
    return `Coolant ${what}${entry.place ? ` (${entry.place})` : ""}: ${sign}${litres}${strength}.`;
  }
  const what = thing(entry, entry.in ?? entry.out ?? 1);
  const where = entry.text ? ` (${entry.text})` : "";
  return `${entry.in === undefined ? "Out" : "In"}: ${entry.account === "tool" ? "tool " : ""}${what}${where}.`;
}

/** An entry as one sentence, the way the book shows it and the entry line reads it back. */
export function describeEntry(entry: EntryDraft | Entry, system: System): string {
  if (entry.kind === "movement") return describeMovement(entry, system);
  const verdict = VERDICTS[entry.data?.verdict as keyof typeof VERDICTS];
  const fan =
    typeof entry.data?.fan === "string"
      ? entry.data.fan === "none"
        ? "no fan heard"
        : `fan ${entry.data.fan}`
      : undefined;
  const words = [entry.place, entry.item].filter(Boolean).join(" ");
  const said = [entry.text, fan].filter(Boolean).join(", ");
  const figure = valueWords(entry, system);
  const head = [words, figure].filter(Boolean).join(" ");
  const between = entry.kind === "reading" && figure ? ", " : head.endsWith("?") ? " " : ": ";
  const body = [head, said].filter(Boolean).join(between);
  return capital(`${body}${verdict ? `: ${verdict}` : ""}${/[.?!]$/.test(body) && !verdict ? "" : "."}`);
}
