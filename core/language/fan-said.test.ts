import { describe, expect, it } from "vitest";
import { fanStretch } from "./fan-said.ts";
import { wordsOf } from "./words.ts";

const said = (text: string) => fanStretch(wordsOf(text))?.fan;

/** What was typed against what a person would write down for it. */
const PHRASES: [string, string | undefined][] = [
  ["fan on", "on"],
  ["fan off", "off"],
  ["fan came on", "on"],
  ["fan kicked in", "on"],
  ["fan kicked on", "on"],
  ["fan kicked out", "off"],
  ["fan cut out", "off"],
  ["fan cut in", "on"],
  ["fans running", "on"],
  ["fan stopped", "off"],
  ["low fan on", "low on"],
  ["low speed fan on", "low on"],
  ["fan low on", "low on"],
  ["high fan stopped", "high off"],
  ["left fan on", "left on"],
  ["right fan went off", "right off"],
  ["no fan", "none"],
  ["fan not on", "none"],
  ["fan didn't start", "none"],
  ["fan never came on", "none"],
  ["fan still off", "none"],
  ["no fan heard", "none"],
  ["fan did not stop", undefined],
  ["fan not off", undefined],
  ["fan on off", undefined],
  ["low high fan on", undefined],
  ["fan", undefined],
  ["low fan", undefined],
];

describe("what a fan did", () => {
  it.each(PHRASES)("%s: %s", (text, fan) => {
    expect(said(text)).toBe(fan);
  });

  it.each(PHRASES)("behind a figure as well as alone: %s", (text, fan) => {
    expect(said(`98 c ${text}`)).toBe(fan);
  });

  it("is not said where no fan is", () => {
    expect(fanStretch(wordsOf("98 c on"))).toBeUndefined();
    expect(fanStretch(wordsOf('note "fan on"'))).toBeUndefined();
  });
});
