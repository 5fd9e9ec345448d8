import { createRequire } from "node:module";
import { type Font, openSync } from "fontkit";

const { resolve } = createRequire(import.meta.url);
const ours = (subset: string, weight: number) =>
  resolve(
    `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${subset}-${weight}-normal.woff`,
  );

/** In the order in which they are asked for a sign: ours first, then one that has nearly every alphabet. */
export const PDF_FONTS = {
  Ours: { normal: ours("latin", 400), bold: ours("latin", 700) },
  OursFurther: { normal: ours("latin-ext", 400), bold: ours("latin-ext", 700) },
  Wide: {
    normal: resolve("dejavu-fonts-ttf/ttf/DejaVuSans.ttf"),
    bold: resolve("dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf"),
  },
} as const;
type FontName = keyof typeof PDF_FONTS;

/** Where no font of ours has a sign, this stands for it: better a gap that is seen than a word that is short. */
const NOT_HELD = "\u25a1";

let opened: [FontName, Font][] | undefined;
const known = new Map<string, FontName | undefined>();

function fontOf(sign: string): FontName | undefined {
  if (known.has(sign)) return known.get(sign);
  opened ??= Object.entries(PDF_FONTS).map(([name, { normal }]) => [
    name as FontName,
    openSync(normal) as Font,
  ]);
  const found = opened.find(([, font]) => font.hasGlyphForCodePoint(sign.codePointAt(0) ?? 0))?.[0];
  known.set(sign, found);
  return found;
}

export interface Run {
  text: string;
  font: FontName;
}

/** A text cut where its font has to change, so that every sign that any of them has is printed. */
export function inFonts(text: string): Run[] {
  const runs: Run[] = [];
  for (const sign of text.normalize("NFC")) {
    const plain = /\s/.test(sign) && sign !== "\u00a0" && sign !== "\u202f" ? " " : sign;
    const last = runs.at(-1);
    // A blank stays with what stands before it.
    const font = plain === " " && last ? last.font : (fontOf(plain) ?? "Wide");
    const shown = plain !== " " && fontOf(plain) === undefined ? NOT_HELD : plain;
    if (last?.font === font) last.text += shown;
    else runs.push({ text: shown, font });
  }
  return runs;
}
