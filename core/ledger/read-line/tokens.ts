import { type Dimension, parseQuantity, SHOWN, type System } from "../../units/index.ts";
import { THREAD } from "./vocabulary.ts";

export interface Token {
  text: string;
  /** Lower case, without the marks around it. */
  word: string;
  /** Where it starts in the line, from 0. */
  at: number;
  quoted: boolean;
  /** A figure without a unit. */
  bare?: number;
  quantity?: { value: number; dimension: Dimension };
}

const PIECE = /"([^"]*)"?|[^\s"]+/g;
const BARE = /^[+-]?\d+(?:[.,]\d+)?$/;
const COUNT = /^(\d+)[x×]$/i;

function asQuantity(text: string) {
  try {
    return parseQuantity(text);
  } catch {
    return undefined;
  }
}

/** The words of a line with their figures read; "4 l" becomes one token, "m6x20" stays a word. */
export function tokens(text: string): Token[] {
  const pieces = [...text.matchAll(PIECE)].map(
    (match): Token => ({
      text: match[0],
      word: (match[1] ?? match[0]).replace(/[,;:]$/, "").toLowerCase(),
      at: match.index,
      quoted: match[0].startsWith('"'),
    }),
  );
  const read: Token[] = [];
  for (let i = 0; i < pieces.length; i++) {
    const piece = pieces[i] as Token;
    if (piece.quoted || THREAD.test(piece.word)) {
      read.push(piece);
      continue;
    }
    const next = pieces[i + 1];
    const joined =
      BARE.test(piece.word) && next && !next.quoted ? asQuantity(`${piece.word} ${next.word}`) : undefined;
    const count = COUNT.exec(piece.word)?.[1];
    if (joined && next && next.word !== "in") {
      read.push({ ...piece, text: text.slice(piece.at, next.at + next.text.length), quantity: joined });
      i++;
    } else if (BARE.test(piece.word)) read.push({ ...piece, bare: Number(piece.word.replace(",", ".")) });
    else if (count) read.push({ ...piece, bare: Number(count) });
    else
      read.push({ ...piece, quantity: /^[+-]?[\d.,]/.test(piece.word) ? asQuantity(piece.word) : undefined });
  }
  return read;
}

/** A token's figure in core units: by its own unit, or in the unit the shop's system shows for that dimension. */
export function figureOf(token: Token, dimension: Dimension, system: System): number | undefined {
  if (token.quantity) return token.quantity.dimension === dimension ? token.quantity.value : undefined;
  if (token.bare === undefined) return undefined;
  return asQuantity(`${token.bare} ${SHOWN[dimension][system].key}`)?.value;
}
