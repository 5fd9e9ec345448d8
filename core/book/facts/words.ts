import { type Dimension, format, inShownTemperatures, type System } from "../../kernel/units/index.ts";
import { VERDICT_WORDS, type Verdict } from "../../kernel/verdict/index.ts";
import type { Entry, EntryDraft } from "../entry/index.ts";

const DIMENSIONS: Record<string, Dimension> = {
  "°C": "temperature",
  L: "volume",
  kPa: "pressure",
  km: "distance",
  rpm: "revs",
  V: "voltage",
  Ω: "resistance",
  A: "current",
};

/** An entry's figure with its unit in the system shown, or nothing where it carries none. */
export function valueWords(entry: EntryDraft | Entry, system: System): string | undefined {
  if (typeof entry.value !== "number" || !Number.isFinite(entry.value)) return undefined;
  const dimension = Object.hasOwn(DIMENSIONS, entry.unit ?? "") ? DIMENSIONS[entry.unit ?? ""] : undefined;
  return dimension ? format(entry.value, dimension, system) : `${entry.value} ${entry.unit ?? ""}`.trim();
}

interface Besides {
  /** Said behind the entry's own text. */
  tail?: string;
  verdict?: Verdict;
}

/** "left fan plug 12.4 V, at idle: pass": place and thing, figure, what was said, verdict. No full stop. */
export function sentence(entry: EntryDraft | Entry, system: System, { tail, verdict }: Besides = {}): string {
  const words = [entry.place, entry.item].filter(Boolean).join(" ");
  const said = [entry.text && inShownTemperatures(entry.text, system), tail].filter(Boolean).join(", ");
  const figure = valueWords(entry, system);
  const head = [words, figure].filter(Boolean).join(" ");
  const between = entry.kind === "reading" && figure ? ", " : head.endsWith("?") ? " " : ": ";
  const body = [head, said].filter(Boolean).join(between);
  return verdict ? `${body}: ${VERDICT_WORDS[verdict]}` : body;
}
