import type { System } from "../../kernel/units/index.ts";
import type { Entry, EntryDraft } from "../entry/index.ts";
import { coolantWords, factOf, sentence, unknownFactOf } from "../facts/index.ts";
import { thing } from "../out/index.ts";

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const MOST_AS_WRITTEN = 120;

function movementWords(entry: EntryDraft | Entry, system: System): string {
  if (entry.account === "coolant") return coolantWords(entry, system);
  const where = entry.text ? ` (${entry.text})` : "";
  const what = thing(entry, entry.in ?? entry.out ?? 1);
  return `${entry.in === undefined ? "Out" : "In"}: ${entry.account === "tool" ? "tool " : ""}${what}${where}`;
}

/** What this version has no words for, as it is written: it may come from a newer one. */
function asWritten(entry: EntryDraft | Entry, system: System): string {
  const said = sentence(entry, system);
  const data = JSON.stringify(entry.data ?? {}).slice(0, MOST_AS_WRITTEN);
  return `${said || entry.kind} [as written: ${data}]`;
}

function words(entry: EntryDraft | Entry, system: System): string {
  const said = factOf(entry);
  if (said) return said.kind.words(said.fact, entry, system);
  if (unknownFactOf(entry)) return asWritten(entry, system);
  return entry.kind === "movement" ? movementWords(entry, system) : sentence(entry, system);
}

/** An entry as one sentence, the way the book shows it and the entry line reads it back. Whatever it holds, it is shown. */
export function describeEntry(entry: EntryDraft | Entry, system: System): string {
  const said = capital(words(entry, system));
  return /[.?!]$/.test(said) ? said : `${said}.`;
}
