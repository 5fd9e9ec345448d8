import { format, type System } from "../../kernel/units/index.ts";
import { COOLANT_ITEMS, type CoolantItem, type Entry, type EntryDraft } from "../entry/index.ts";

function litresOf(entry: EntryDraft | Entry): number {
  const litres = entry.in ?? entry.out ?? 0;
  return Number.isFinite(litres) ? litres : 0;
}

/** "Coolant kept in old parts (old radiator): 0.4 L", without a full stop. */
export function coolantWords(entry: EntryDraft | Entry, system: System): string {
  const isKnown = Object.hasOwn(COOLANT_ITEMS, entry.item ?? "");
  const what = isKnown ? COOLANT_ITEMS[entry.item as CoolantItem] : (entry.item ?? "");
  const sign = entry.item === "capacity" ? (entry.in === undefined ? "less " : "more ") : "";
  return `Coolant ${what}${entry.place ? ` (${entry.place})` : ""}: ${sign}${format(litresOf(entry), "volume", system)}${entry.text ? ` (${entry.text})` : ""}`;
}
