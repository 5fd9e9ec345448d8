import type { Word } from "./words.ts";

/** A fastener's size as it is written down, and what is typed behind it that says how many. */
export interface SizeRead {
  name: string;
  used: number;
  /** From “m6x20 x4”. */
  count?: number;
}

/** Above this a figure behind the diameter is a length, not a pitch (ISO 261: no pitch is coarser than 6 mm). */
const MOST_PITCH_MM = 3.5;
const METRIC = /^m(\d{1,2}(?:[.,]\d)?)s?$/;
const METRIC_WHOLE = /^m(\d{1,2}(?:[.,]\d)?)((?:x\d+(?:[.,]\d+)?){1,3})(?:mm)?$/;
const LENGTH = /^(\d{1,3}(?:[.,]\d+)?)(?:mm)?$/;
const UNIFIED = /^(?:#\d{1,2}|\d{1,2}\/\d{1,2})(?:-\d{1,2})?$/;
const INCHES = /^(?:\d+-)?\d+(?:\/\d{1,2})?"?$|^\d*\.\d+"?$/;
const TORX = /^(t\d{1,2}|e\d{1,2}|h\d{1,2})$/;
const HEAD = /^(\d{1,2})mm$/;

const point = (figure: string) => figure.replace(",", ".");

/** Diameter, pitch where there is one, length; a figure too many is how often. */
function metric(diameter: string, figures: readonly string[]): Omit<SizeRead, "used"> | undefined {
  const rest = figures.map(point);
  const name = [`M${point(diameter)}`];
  if (rest[0] !== undefined && Number(rest[0]) <= MOST_PITCH_MM) name.push(rest.shift() ?? "");
  if (rest[0] !== undefined) name.push(rest.shift() ?? "");
  const [count, tooMany] = rest;
  if (tooMany !== undefined || (count !== undefined && !/^\d+$/.test(count))) return undefined;
  return { name: name.join("×"), ...(count === undefined ? {} : { count: Number(count) }) };
}

function metricAt(words: readonly Word[], index: number): SizeRead | undefined {
  const first = words[index]?.word ?? "";
  const whole = METRIC_WHOLE.exec(first);
  const diameter = whole?.[1] ?? METRIC.exec(first)?.[1];
  if (diameter === undefined) return undefined;
  const figures = whole?.[2]?.split("x").filter(Boolean) ?? [];
  let used = 1;
  for (;;) {
    const [next, after] = [words[index + used]?.word, words[index + used + 1]?.word];
    const glued = /^x(\d+(?:[.,]\d+)?)(?:mm)?$/.exec(next ?? "")?.[1];
    const apart = next === "x" ? LENGTH.exec(after ?? "")?.[1] : undefined;
    if (glued === undefined && apart === undefined) break;
    figures.push(glued ?? apart ?? "");
    used += glued === undefined ? 2 : 1;
    if (words[index + used]?.word === "mm") used++;
  }
  const size = metric(diameter, figures);
  return size && { ...size, used };
}

function unifiedAt(words: readonly Word[], index: number): SizeRead | undefined {
  const first = words[index]?.word ?? "";
  const [size = "", length] = first.split("x");
  if (!UNIFIED.test(size)) return undefined;
  if (length !== undefined)
    return INCHES.test(length) ? { name: `${size}×${length.replace('"', "")}`, used: 1 } : undefined;
  const [next, after] = [words[index + 1]?.word, words[index + 2]?.word ?? ""];
  if (next === "x" && INCHES.test(after)) return { name: `${size}×${after.replace('"', "")}`, used: 3 };
  return { name: size, used: 1 };
}

/**
 * A size at a place in a line: metric threads with or without pitch and length (`m6`, `M6 x 20`, `m8x1.25x25`), unified
 * ones (`1/4-20`, `5/16`, `#10`), drives (`T30`) and heads (`10mm`). Nothing where there is none.
 */
export function sizeAt(words: readonly Word[], index: number): SizeRead | undefined {
  const first = words[index];
  if (!first || first.quoted) return undefined;
  const threaded = metricAt(words, index) ?? unifiedAt(words, index);
  if (threaded) return threaded;
  const drive = TORX.exec(first.word)?.[1];
  if (drive) return { name: drive.toUpperCase(), used: 1 };
  const head =
    HEAD.exec(first.word)?.[1] ??
    (words[index + 1]?.word === "mm" ? /^\d{1,2}$/.exec(first.word)?.[0] : undefined);
  if (head) return { name: `${head} mm`, used: HEAD.test(first.word) ? 1 : 2 };
  if (first.word === "#" && /^\d{1,2}$/.test(words[index + 1]?.word ?? ""))
    return { name: `#${words[index + 1]?.word}`, used: 2 };
  return undefined;
}
