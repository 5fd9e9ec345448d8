import { COUNT_WORDS } from "./lexicon.ts";

/** "Some", "a few": how many has to be said. */
const VAGUE =
  /^(?:an?\s+)?(?:some|few|several|many|more|most|all|every|each|lots?|loads?|half|\w+teen|(?:twen|thir|for|fif|six|seven|eigh|nine)ty|hundreds?)\b/i;
/** "A clip", "two clips", "both clips", "a couple of clips"; but a two pin plug is one, and so is a one way valve. */
const WORDED = new RegExp(
  `^(?:(?:an?|the)\\s+)?(?<count>${Object.keys(COUNT_WORDS).join("|")}|couple)(?:\\s+of)?(?:\\s+the)?\\s+(?!(?:way|piece|part|stage|speed|pin|row|core|wire|pole|post|hole|door|bar|inch)\\b)`,
  "i",
);
const ARTICLE = /^(?:an?|the|another)\s+/i;

/** Whether a text says of how many only that they are some. */
export const isVague = (text: string): boolean => VAGUE.test(text);

/** One of these has the form of many. */
const ONE_OF_MANY = /(?:pliers|scissors|snips|grips|goggles|gas|lens|harness|process|glass|brass|bus|boss)$/i;
/** Names of several, without how many: "clips undertray". */
export const isManySaid = (item: string): boolean =>
  item
    .split(/[\s,]+/)
    .some((word) => /^[a-z]{2,}[^s\W\d]s$/i.test(word) && !ONE_OF_MANY.test(word) && !/us$|is$/i.test(word));

/** A count that is said in words as a figure; without one, what is named alone. */
export function inFigures(text: string): string {
  const said = WORDED.exec(text);
  const word = said?.groups?.count?.toLowerCase() ?? "";
  const count = word === "couple" ? 2 : COUNT_WORDS[word];
  return said && count ? `${count} ${text.slice(said[0].length)}` : text.replace(ARTICLE, "");
}
