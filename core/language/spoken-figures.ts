import { JOIN, type Word } from "./words.ts";

const ONES =
  "nought one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen".split(
    " ",
  );
const TENS: Readonly<Record<string, number>> = {
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
};
const PARTS: Readonly<Record<string, number>> = { half: 0.5, quarter: 0.25 };
const VOLUME = /^(?:l|litres?|liters?|qts?|quarts?|gals?|gallons?|pints?|pts?|cups?)$/;
/** Before one of these a word for a count is a figure; of bolts and clips it stays a count. */
const UNIT =
  /^(?:volts?|v|amps?|minutes?|mins?|bar|psi|pounds|degrees|degs?|percent|mils?|mm|l|litres?|liters?|qts?|quarts?|gals?|gallons?|pints?|pts?)$/;

const figureWord = (words: readonly Word[], value: number): Word => {
  const [first, last] = [words[0] as Word, words.at(-1) as Word];
  const text = String(Math.round(value * 1000) / 1000);
  return { word: text, text, at: first.at, end: last.end, quoted: false };
};

const isFigure = (word: string | undefined): word is string => /^\d+(?:[.,]\d+)?$/.test(word ?? "");
const plain = (word: Word | undefined) => (word && !word.quoted ? word.word : "");

function wholeAt(words: readonly Word[], index: number): { value: number; used: number } | undefined {
  const word = plain(words[index]);
  if (Object.hasOwn(TENS, word)) {
    const one = ONES.indexOf(plain(words[index + 1]));
    const tens = TENS[word] ?? 0;
    return one > 0 && one < 10 ? { value: tens + one, used: 2 } : { value: tens, used: 1 };
  }
  const one = ONES.indexOf(word);
  if (one >= 0) return { value: one, used: 1 };
  return isFigure(word) ? { value: Number(word.replace(",", ".")), used: 1 } : undefined;
}

/** "And a half", "1/2", behind a whole figure. */
function brokenAt(words: readonly Word[], index: number): { value: number; used: number } | undefined {
  const here = plain(words[index]);
  if (here === "1/2") return { value: 0.5, used: 1 };
  if (here === "1/4") return { value: 0.25, used: 1 };
  if (here === "3/4") return { value: 0.75, used: 1 };
  if (here !== JOIN || words[index]?.text === ",") return undefined;
  const used = plain(words[index + 1]) === "a" ? 2 : 1;
  const part = PARTS[plain(words[index + used])];
  return part === undefined ? undefined : { value: part, used: used + 1 };
}

/** How many words are a figure here, and its value: "half a", "a quarter of a", "one and a half", "two", "a". */
function volumeAt(words: readonly Word[], index: number): { value: number; used: number } | undefined {
  const start = plain(words[index]) === "a" ? 1 : 0;
  const part = PARTS[plain(words[index + start])];
  if (part !== undefined) {
    let used = start + 1;
    if (plain(words[index + used]) === "of") used++;
    if (plain(words[index + used]) === "a") used++;
    return { value: part, used };
  }
  if (start === 1) return { value: 1, used: 1 };
  const whole = wholeAt(words, index);
  if (!whole) return VOLUME.test(plain(words[index])) && index === 0 ? { value: 1, used: 0 } : undefined;
  const broken = brokenAt(words, index + whole.used);
  return broken ? { value: whole.value + broken.value, used: whole.used + broken.used } : whole;
}

/**
 * A line with the figures that were spoken as words put as figures: "half a litre" as 0.5 litre, "a quart and a half" as
 * 1.5 quart, "ninety eight" as 98, "point three volt" as 0.3 volt. Counts of things ("two clips") stay as they are said.
 */
export function withFigures(words: readonly Word[]): Word[] {
  const said: Word[] = [];
  for (let index = 0; index < words.length; ) {
    const volume = volumeAt(words, index);
    const unit = volume && words[index + volume.used];
    if (volume && VOLUME.test(plain(unit))) {
      const half = brokenAt(words, index + volume.used + 1);
      const isOne = volume.value === 1;
      const more = half && isOne ? half : undefined;
      const stretch = volume.used > 0 ? words.slice(index, index + volume.used) : [unit as Word];
      said.push(figureWord(stretch, volume.value + (more?.value ?? 0)), unit as Word);
      index += volume.used + 1 + (more?.used ?? 0);
      continue;
    }
    const whole = wholeAt(words, index);
    const isTens = Object.hasOwn(TENS, plain(words[index]));
    if (whole && !isFigure(plain(words[index])) && (isTens || UNIT.test(plain(words[index + whole.used])))) {
      said.push(figureWord(words.slice(index, index + whole.used), whole.value));
      index += whole.used;
      continue;
    }
    const behind = plain(words[index]) === "point" ? wholeAt(words, index + 1) : undefined;
    if (behind && behind.value < 10 && behind.used === 1 && !isFigure(plain(words[index - 1]))) {
      said.push(figureWord(words.slice(index, index + 2), behind.value / 10));
      index += 2;
      continue;
    }
    said.push(words[index] as Word);
    index++;
  }
  return said;
}
