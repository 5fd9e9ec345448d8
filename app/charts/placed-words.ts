/** What a letter of a label takes, and how far apart its rows are, in the drawing's units. */
const LETTER_WIDTH = 7.5;
const LABEL_HEIGHT = 16;
const LABEL_ROWS = 3;

export interface PlacedWord {
  x: number;
  y: number;
  text: string;
  /** What comes on is told above its mark, what goes off below it. */
  isAbove: boolean;
}

/** Each word by its mark, in the first row within `top` and `bottom` that is clear of those before it; left out where there is none. */
export function placedWords<Word extends PlacedWord>(
  words: readonly Word[],
  { top, bottom }: { top: number; bottom: number },
): Word[] {
  const placed: Word[] = [];
  for (const word of words) {
    const isFree = (y: number) =>
      placed.every(
        (other) =>
          Math.abs(other.x - word.x) > ((other.text.length + word.text.length) / 2) * LETTER_WIDTH ||
          Math.abs(other.y - y) >= LABEL_HEIGHT,
      );
    const places = Array.from({ length: LABEL_ROWS }, (_, row) =>
      word.isAbove ? word.y - 16 - row * LABEL_HEIGHT : word.y + 24 + row * LABEL_HEIGHT,
    );
    const y = places.find((place) => isFree(place) && place > top && place < bottom);
    if (y !== undefined) placed.push({ ...word, y });
  }
  return placed;
}
