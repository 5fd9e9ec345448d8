import { HOTTEST_SOUND_C } from "../limits/index.ts";

/** So far below boiling a car must stay on its worst day, °C. */
export const BELOW_BOILING_C = 6;

/**
 * What a car has to spare at its hottest, °C: to what no sound engine gets past, and to a margin below boiling, whichever is nearer. It
 * holds what it went through where that is nought or more.
 */
export const spareC = ({ peakC, boilsC }: { peakC: number; boilsC: number }): number =>
  Math.min(boilsC - peakC - BELOW_BOILING_C, HOTTEST_SOUND_C - peakC);
