/** What can be written as JSON. */
export type Json = string | number | boolean | null | readonly Json[] | { readonly [key: string]: Json };

/** A figure in digits alone: `1e-7` is `0.0000001`. Exact for every finite one, since its shortest digits are moved, not reckoned. */
function inDigits(figure: number): string {
  if (!Number.isFinite(figure)) throw new RangeError(`${figure} can't be written down`);
  const [digits = "", power] = String(figure).split("e");
  if (power === undefined) return digits;
  const sign = digits.startsWith("-") ? "-" : "";
  const [whole = "", part = ""] = digits.replace("-", "").split(".");
  const point = whole.length + Number(power);
  const all = whole + part;
  if (point <= 0) return `${sign}0.${"0".repeat(-point)}${all}`;
  return `${sign}${all.padEnd(point, "0")}`;
}

const bytes = new TextEncoder();

/** Shorter keys first, equal ones by their bytes. */
function byKey(a: string, b: string): number {
  const [left, right] = [bytes.encode(a), bytes.encode(b)];
  if (left.length !== right.length) return left.length - right.length;
  const at = left.findIndex((byte, place) => byte !== right[place]);
  return at < 0 ? 0 : (left[at] ?? 0) - (right[at] ?? 0);
}

/**
 * A value as the one text it can have: keys in order, a blank after each comma and colon, figures without a power of ten.
 * It is how PostgreSQL writes `jsonb` out (its manual, “JSON Types”), so that the database and any other program hash the same.
 * @throws RangeError for a figure that is none
 */
export function canonical(value: Json): string {
  if (typeof value === "number") return inDigits(value);
  if (typeof value !== "object" || value === null) return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map(canonical).join(", ")}]`;
  const fields = Object.entries(value).sort(([a], [b]) => byKey(a, b));
  return `{${fields.map(([key, each]) => `${JSON.stringify(key)}: ${canonical(each)}`).join(", ")}}`;
}
