import { entryTrouble, type WrittenEntry } from "../../../core/book/facts/index.ts";
import type { Checked } from "../../desk/forms.ts";

const MOST_AT_ONCE = 50;

const isObject = (value: unknown): value is Record<string, unknown> =>
  Boolean(value) && typeof value === "object" && !Array.isArray(value);

/**
 * Entries as a browser sends them, each through the core's one check of what is written. Answers with the entries or
 * with a message a field, such as `entries.0.item`.
 */
export function checkEntries(input: unknown): Checked<{ entries: WrittenEntry[] }> {
  const list = isObject(input) && Object.keys(input).length === 1 ? input.entries : undefined;
  if (!Array.isArray(list)) return { fields: { entries: "A list of entries, and nothing beside it." } };
  if (list.length === 0) return { fields: { entries: "Nothing was sent." } };
  if (list.length > MOST_AT_ONCE) return { fields: { entries: `At most ${MOST_AT_ONCE} at once.` } };
  for (const [index, entry] of list.entries()) {
    if (!isObject(entry)) return { fields: { [`entries.${index}`]: "An entry with its fields." } };
    const fields = entryTrouble(entry as unknown as WrittenEntry);
    if (fields)
      return {
        fields: Object.fromEntries(
          Object.entries(fields).map(([name, said]) => [`entries.${index}.${name}`, said]),
        ),
      };
  }
  return { value: { entries: list as WrittenEntry[] } };
}
