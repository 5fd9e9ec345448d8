/** Blade fuses as they are sold, amperes (ISO 8820-3): the usual ones, and the big ones from 50 up. */
export const FUSES_A = [3, 5, 7.5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 70, 80] as const;
/** The biggest that a jumper lead takes. */
export const MOST_JUMPER_A = 40;
/** A fuse carries about four fifths of its rating for ever; a motor takes a quarter more while it starts. */
export const LASTING_SHARE = 0.8;
/** A blade fuse holds twice its rating for at least 0.15 s (ISO 8820-3), which is as long as a motor's first rush. */
export const RUSH_SHARE = 2;
/** What a copper wire in a warm loom carries for ever, amperes by mm²: 6 A a mm² and more, less as it grows thicker. */
export const WIRE_A: [mm2: number, amps: number][] = [
  [0.5, 5],
  [0.75, 8],
  [1, 11],
  [1.5, 15],
  [2.5, 22],
  [4, 30],
  [6, 40],
  [10, 55],
  [16, 80],
];
/**
 * What one wire by itself stands, amperes by mm², and so the biggest fuse that still protects it: single conductors with
 * insulation for 85 to 90 °C (ISO 10133; 0.5 mm² by the same rise). New wiring is laid by the smaller figures above.
 */
const STANDS_A: readonly [mm2: number, amps: number][] = [
  [0.5, 8],
  [0.75, 12],
  [1, 18],
  [1.5, 21],
  [2.5, 30],
  [4, 40],
  [6, 50],
  [10, 70],
  [16, 100],
];
const ofWire = (table: readonly [number, number][], wireMm2: number) =>
  table.findLast(([mm2]) => mm2 <= wireMm2)?.[1] ?? 0;
/** What a wire carries for ever in a warm loom, and what it stands by itself, A; the next thinner one's between two. */
export const carriesA = (wireMm2: number): number => ofWire(WIRE_A, wireMm2);
export const standsA = (wireMm2: number): number => ofWire(STANDS_A, wireMm2);
/** Resistance of copper wire at 20 °C, Ω·mm² a metre (IEC 60228, with what stranding adds). */
export const COPPER_OHM_MM2_M = 0.0178;
