import { bypassed } from "../book/acts/index.ts";
import type { Entry, EntryDraft } from "../book/entry/index.ts";
import { Bypass, factsOf } from "../book/facts/index.ts";
import { balanceKey } from "../book/out/index.ts";
import type { LineContext, Read } from "./line.ts";
import type { Word } from "./words.ts";

const HUNG =
  /^(?:hung|tied)\s+up\s+(?:the\s+)?(?<behind>.+)$|^(?:the\s+)?(?<before>.+?)\s+(?:hung|tied)\s+up$/i;
const DENIES = /\b(?:not|no|never|still|to|be|should|must|will)\b/i;

/** What was hung up, and the same line as it would be written of a part that came off: "condenser hung up". */
export function hungUp(text: string): string | undefined {
  const { behind, before } = HUNG.exec(text.trim().replace(/[.\s]+$/, ""))?.groups ?? {};
  const name = behind ?? before;
  return name && /^[\p{L}\s-]{2,60}$/u.test(name) && !DENIES.test(name) ? `out ${name}` : undefined;
}

/** What was read of it, said to hang: the part is out, and nothing of it was opened. */
export const saidToHang = (draft: EntryDraft): EntryDraft =>
  draft.account === "part" ? { ...draft, text: "hung up" } : draft;

/** The lines that are capped as the front comes apart, by how they are called and as the book calls them. */
const LINES: readonly (readonly [RegExp, string])[] = [
  [
    /^(?:oil(?: cooler)?|cooler|transmission(?: cooler)?|gearbox(?: cooler)?) (?:lines?|pipes?)$/,
    "oil cooler line",
  ],
  [/^heater (?:lines?|pipes?|hoses?)$/, "heater line"],
  [/^charge(?: air)? (?:lines?|pipes?)$/, "charge air pipe"],
];
const CAPS =
  /^(?<verb>cap|capped|uncap|uncapped)\s+(?<which>both\s+|one\s+)?(?:the\s+)?(?<what>[\p{L}\s]+)$/iu;
const CAPPED = /^(?:the\s+)?(?<which>both\s+|one\s+)?(?<what>[\p{L}\s]+?)\s+(?<verb>capped|uncapped)$/iu;

/** "Cap oil lines", "both heater lines capped", and off again: a cap on each end that is open. */
export function readCaps(words: readonly Word[], text: string, { open }: LineContext): Read {
  const plain = text.trim().replace(/[.\s]+$/, "");
  const said = (CAPS.exec(plain) ?? CAPPED.exec(plain))?.groups;
  if (!said || words.some(({ quoted }) => quoted)) return undefined;
  const { what = "", which = "", verb = "" } = said;
  const item = LINES.find(([names]) => names.test(what.trim().toLowerCase().replace(/\s+/g, " ")))?.[1];
  // "Cap off" and "cap 110" are other lines.
  if (!item) return undefined;
  const draft: EntryDraft = { kind: "movement", account: "line-cap", item };
  const isPlural = /s$/i.test(what.trim()) || /both/i.test(which);
  const count = /one/i.test(which) || !isPlural ? 1 : 2;
  if (!/^un/i.test(verb)) return [{ ...draft, out: count }];
  const on = open.find((line) => balanceKey(line) === balanceKey(draft))?.open ?? 0;
  return on > 0
    ? [{ ...draft, in: on }]
    : { expected: `a line that is capped, and none of the ${item}s is`, at: 0 };
}

const BYPASS =
  /^(?:bypass|bypassed|bridged)\s+(?<early>off\s+)?(?:the\s+)?(?<item>[\p{L}\d\s-]{2,60}?)(?<late>\s+off)?$/iu;
/** "Bypass hose" and "bypass valve" are things of that name. */
const NAMED_BYPASS = /^(?:hose|valve|pipe|line|tube|port|screw|plug|duct|filter)s?\b/i;

/** What is bridged for now so that the car gets home, or is off again; nothing where the line is of another kind. */
export function bypassOf(text: string): { item: string; isOff: boolean } | undefined {
  const { item, early, late } = BYPASS.exec(text.trim().replace(/[.\s]+$/, ""))?.groups ?? {};
  return item && !NAMED_BYPASS.test(item)
    ? { item: item.toLowerCase(), isOff: Boolean(early ?? late) }
    : undefined;
}

export function bypassDraft(
  entries: readonly Entry[],
  item: string,
  isOff: boolean,
): EntryDraft[] | { because: string } {
  const on = new Map(factsOf(entries, Bypass).map(({ fact, entry }) => [entry.item ?? "", fact.does]));
  const open = [...on].flatMap(([name, does]) => (does === "on" ? [name] : []));
  if (isOff && on.get(item) !== "on")
    return {
      because: open.length > 0 ? `what is bypassed: ${open.join(", ")}` : "something that is bypassed",
    };
  if (!isOff && on.get(item) === "on") return { because: "what is not bypassed yet" };
  return [bypassed(item, isOff ? "off" : "on")];
}
