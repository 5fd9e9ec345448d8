import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { distanceAt, figureAt, settledFigure, wordsOf } from "./words.ts";

const said = (line: string) => wordsOf(line).map(({ word }) => word);

describe("wordsOf", () => {
  it.each([
    ["3 bolts out, bag 2", ["3", "bolts", "out", "and", "bag", "2"]],
    ["Fan & shroud off.", ["fan", "and", "shroud", "off"]],
    ["left/right clip off", ["left", "and", "right", "clip", "off"]],
    ["push-pin in", ["push", "pin", "in"]],
    ["o-ring on", ["o-ring", "on"]],
    ['note: 5" to the "Lower Grille" edge', ["note", "5", "to", "the", "lower grille", "edge"]],
    ["note “back by four”", ["note", "back by four"]],
    ["customer’s plate (old) off", ["customer", "plate", "old", "off"]],
    ["M6×20 off", ["m6x20", "off"]],
    ["−4 °C ambient", ["-4", "°c", "ambient"]],
    ['"half a quote', ["half a quote"]],
    ["   ", []],
    ["", []],
    ["!!! ...", []],
  ])("%s", (line, words) => {
    expect(said(line)).toEqual(words);
  });

  it("says of every word where it stands, left to right, within the line", () => {
    const signs = fc.constantFrom(..."abc019 \"'’“”,.;:-/&+×°x()é\u00a0".split(""));
    fc.assert(
      fc.property(fc.string({ unit: signs, maxLength: 60 }), (line) => {
        let before = 0;
        for (const { at, end, word } of wordsOf(line)) {
          expect(word).not.toBe("");
          expect(at).toBeGreaterThanOrEqual(before);
          expect(end).toBeGreaterThan(at);
          expect(end).toBeLessThanOrEqual(line.length);
          before = end;
        }
      }),
      { numRuns: 1000 },
    );
  });
});

describe("a figure in a line", () => {
  const figure = (text: string) => figureAt(wordsOf(text), 0);

  it.each([
    ["4", 4, undefined, 1],
    ["4 l", 4, "volume", 2],
    ["4l", 4, "volume", 1],
    [".5 l", 0.5, "volume", 2],
    ["4,5 l", 4.5, "volume", 2],
    ["500 ml", 0.5, "volume", 2],
    ["98c", 98, "temperature", 1],
    ["212 f", 100, "temperature", 2],
    ["0.9 bar", 90, "pressure", 2],
    ["2.5k", 2500, undefined, 1],
    ["-4", -4, undefined, 1],
    ["4 in", 4, undefined, 1],
  ])("%s", (text, value, dimension, used) => {
    const read = figure(text);
    expect(read?.value).toBeCloseTo(value, 9);
    expect(read).toMatchObject(dimension ? { dimension, used } : { used });
  });

  it.each(["bag", "", '"4"', "m6", "4x", "4..5"])("is none: %s", (text) => {
    expect(figure(text)).toBeUndefined();
  });

  it("reads 2,500 as thousands where only those are possible, and asks where both are", () => {
    const read = figure("2,500");
    if (!read) throw new Error("no figure");
    expect(settledFigure(read, "revs", "metric", [0, 12000])).toEqual({ value: 2500 });
    expect(settledFigure(read, "volume", "metric", [0, 20])).toEqual({ value: 2.5 });
    expect(settledFigure(read, "volume", "metric", [0, 5000])).toEqual({ doubt: true });
  });
});

describe("a distance in a line", () => {
  const KM_PER_MILE = 1.609344;

  it("reads any odometer however its thousands are parted", () => {
    const part = fc.constantFrom("", ",", ".", "'", "’", " ");
    fc.assert(
      fc.property(fc.integer({ min: 1000, max: 999_999 }), part, (km, mark) => {
        const parted = String(km).replace(/\B(?=(\d{3})$)/, mark);
        expect(distanceAt(wordsOf(parted), 0)).toMatchObject({ value: km });
        expect(distanceAt(wordsOf(`${parted} km`), 0)).toMatchObject({ value: km, dimension: "distance" });
        const miles = distanceAt(wordsOf(`${parted} miles`), 0);
        expect(miles?.value).toBeCloseTo(km * KM_PER_MILE, 3);
      }),
      { numRuns: 400 },
    );
  });

  it.each([
    ["114k", 114_000],
    ["114.5k km", 114_500],
    ["1,234,567", 1_234_567],
    ["88000km", 88_000],
  ])("%s", (text, km) => {
    expect(distanceAt(wordsOf(text), 0)?.value).toBe(km);
  });

  it.each(["12,34,567", "88000v", "far", '"88000"', "88.000.5"])("is none: %s", (text) => {
    expect(distanceAt(wordsOf(text), 0)).toBeUndefined();
  });
});
