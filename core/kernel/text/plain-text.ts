const SURROGATE = /\p{Surrogate}/u;
const DEEPEST = 8;

function textTrouble(text: string): string | undefined {
  if (text.includes("\u0000")) return "It holds a sign that can't be written down (a NUL).";
  if (SURROGATE.test(text)) return "It holds half a sign: type it again.";
  return undefined;
}

/** Why a value can't be kept as it is: a NUL or half a surrogate pair in any of its texts, or nested too deep. */
export function unwritable(value: unknown, depth = 0): string | undefined {
  if (typeof value === "string") return textTrouble(value);
  if (!value || typeof value !== "object") return undefined;
  if (depth >= DEEPEST) return "It is nested too deep.";
  for (const [name, part] of Object.entries(value)) {
    const trouble = textTrouble(name) ?? unwritable(part, depth + 1);
    if (trouble) return trouble;
  }
  return undefined;
}
