import { describe, expect, it } from "vitest";
import { checkForm } from "../desk/forms.ts";
import { cardTrouble } from "./card.form.ts";
import { VehicleForm } from "./vehicle.form.ts";

const GOOD = {
  id: "7d8f4f0e-6d3b-4a51-9f0d-2f6f4b1c9a10",
  system: "metric",
  plate: "mrw  2417",
  vin: "0mrwayf2xra002417",
  name: "  Brindle   Wayfarer ",
  use: "",
  distance: "184 220 km",
  capacity: "11,2",
  coolantKind: "si-oat",
  coolantProduct: "Fellwater Blue",
  strength: "50 %",
  cap: "110",
  thermostatOpens: "87",
  circuit: "switch-2",
  lowOn: "92",
  lowOff: "87",
  highOn: "99 °C",
  highOff: "94",
  fanSenses: "engine",
  fillPoint: "",
  bleedPoints: "",
  oilCooler: "none",
  sensorCurve: "",
};

const fieldsOf = (change: Record<string, unknown>) =>
  checkForm(VehicleForm, { ...GOOD, ...change }).fields ?? {};

describe("a vehicle as it is typed", () => {
  it("is tidied, and its figures are in core units", () => {
    const { value, fields } = checkForm(VehicleForm, GOOD);
    expect(fields).toBeUndefined();
    expect(value).toMatchObject({
      plate: "MRW 2417",
      vin: "0MRWAYF2XRA002417",
      name: "Brindle Wayfarer",
      capacity: 11.2,
      strength: 0.5,
      cap: 110,
      highOn: 99,
      distance: 184_220,
    });
  });

  it.each(["184,220", "184.220", "184 220"])(
    "takes %s for a hundred and eighty-four thousand",
    (distance) => {
      expect(checkForm(VehicleForm, { ...GOOD, distance }).value).toMatchObject({ distance: 184_220 });
    },
  );

  it("takes bare figures in the shop's units, and written ones in theirs", () => {
    const us = checkForm(VehicleForm, {
      ...GOOD,
      system: "us",
      capacity: "10",
      thermostatOpens: "190",
      cap: "16",
      lowOn: "200",
      lowOff: "85 °C",
      highOff: "94 °C",
    });
    expect(us.value?.capacity).toBeCloseTo(9.4635, 3);
    expect(us.value?.thermostatOpens).toBeCloseTo(87.78, 2);
    expect(us.value?.cap).toBeCloseTo(110.3, 1);
    expect(us.value?.lowOn).toBeCloseTo(93.33, 2);
    expect(us.value?.lowOff).toBe(85);
  });

  it.each([
    ["plate", ""],
    ["plate", "MRW/2417"],
    ["plate", "M".repeat(17)],
    ["vin", "0MRWAYF2XRA00241"],
    ["vin", "IMRWAYF2XRA002417"],
    ["name", ""],
    ["name", "B".repeat(81)],
    ["use", "u".repeat(81)],
    ["capacity", ""],
    ["capacity", "0.1"],
    ["capacity", "9 km"],
    ["capacity", "lots"],
    ["strength", "70 %"],
    ["cap", "900"],
    ["thermostatOpens", "12"],
    ["coolantKind", "green"],
    ["circuit", "steam"],
    ["lowOn", "300"],
    ["fanSenses", "nose"],
    ["oilCooler", "maybe"],
    ["id", "1"],
    ["sensorCurve", "9".repeat(301)],
  ])("refuses %s of “%s” with a sentence", (field, value) => {
    expect(fieldsOf({ [field]: value })[field]).toMatch(/[A-Z].{6,}/);
  });

  it("says the range in the shop's own units", () => {
    expect(fieldsOf({ capacity: "0.1" }).capacity).toMatch(/0\.5.L to 200\.0.L/);
    expect(fieldsOf({ capacity: "0.1", system: "us" }).capacity).toMatch(/qt/);
  });

  it("refuses a field that nobody asked for, and what isn't a form at all", () => {
    expect(fieldsOf({ shopId: "x" })).toEqual({ shopId: "There is no such field." });
    for (const nothing of [null, "text", 4, []])
      expect(checkForm(VehicleForm, nothing).fields).toHaveProperty("form");
  });
});

describe("what no field can say alone", () => {
  const troubles = (change: Record<string, unknown>) => {
    const { value } = checkForm(VehicleForm, { ...GOOD, ...change });
    return value ? cardTrouble(value) : "refused before";
  };

  it("has nothing against a good card", () => {
    expect(troubles({})).toEqual({});
    expect(troubles({ lowOff: "", thermostatOpens: "" })).toEqual({});
    expect(troubles({ sensorCurve: "20: 2500; 80: 320; 100: 180" })).toEqual({});
  });

  it.each([
    [{ highOn: "", highOff: "101" }, "highOn", /without where it starts/],
    [{ lowOff: "95" }, "lowOff", /below/],
    [{ highOn: "91", highOff: "85" }, "highOn", /above the low/],
    [{ lowOn: "", lowOff: "" }, "lowOn", /one stage only/],
    [{ sensorCurve: "20: 300; 80: 2500" }, "sensorCurve", /fall as it warms/],
    [{ sensorCurve: "warm" }, "sensorCurve", /no pair/],
  ] as const)("%j", (change, field, says) => {
    expect(troubles(change)).toMatchObject({ [field]: expect.stringMatching(says) });
  });
});
