import { describe, expect, it } from "vitest";
import { boilingPointC } from "../coolant/index.ts";
import { methodsFor } from "./methods.ts";
import { SCHOOLS } from "./schools.ts";

const best = (fillPoint: string, bleedPoints = "") => methodsFor({ fillPoint, bleedPoints })[0]?.school;

describe("the schools of bleeding", () => {
  it.each([
    ["radiator cap", "", "open-cap"],
    ["Radiator neck, funnel", "", "open-cap"],
    ["expansion tank", "", "expansion-tank"],
    ["header bottle on the left", "", "expansion-tank"],
    ["radiator cap", "screw on the thermostat housing", "bleed-screw"],
    ["expansion tank", "bleed nipple above the heater pipe", "bleed-screw"],
    ["expansion tank", "electric pump routine", "electric-pump"],
    ["radiator cap", "no bleed screw", "open-cap"],
  ])("%j, bled at %j: %s first", (fill, bled, school) => {
    expect(best(fill, bled)).toBe(school);
  });

  it("guess nothing of a card that says nothing: what suits any car comes first, none is called best", () => {
    const methods = methodsFor({});
    expect(methods[0]?.school).toBe("vacuum");
    expect(methods.some(({ suits }) => suits === "best")).toBe(false);
  });

  it("are all there, each with its reason, and each cycle cools before a cap comes off", () => {
    const methods = methodsFor({ fillPoint: "expansion tank", fanOnC: [94, 101] });
    expect(methods.map(({ school }) => school).sort()).toEqual([...SCHOOLS].sort());
    for (const { steps, because, againFrom, stopAtOnce } of methods) {
      expect(because).not.toBe("");
      expect(stopAtOnce.length).toBeGreaterThan(2);
      const again = steps.slice(againFrom).map(({ kind }) => kind);
      expect(again.at(-1)).toBe("top-up");
      expect(again.at(-2)).toBe("cool");
    }
  });

  it("stop an open engine below where its mix boils in the open, lower on a pass", () => {
    const open = (altitudeM: number) =>
      methodsFor({ fillPoint: "radiator cap", fanOnC: [108], altitudeM }).find(
        ({ school }) => school === "open-cap",
      )?.limitC ?? 0;
    expect(open(0)).toBeLessThan(boilingPointC("ethylene", 0.5, 101.3) - 3);
    expect(open(900)).toBeLessThan(open(0));
    expect(methodsFor({ bleedPoints: "bleed screw", fanOnC: [98] })[0]?.limitC).toBe(104);
  });
});
