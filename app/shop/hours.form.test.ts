import { describe, expect, it } from "vitest";
import { checkForm } from "../desk/forms.ts";
import { HoursForm, hoursFrom } from "./hours.form.ts";

const GIVEN = {
  opens: "08:00",
  closes: "17:00",
  breakFrom: "12:00",
  breakTo: "12:30",
  lifts: "2",
  days: "1,2,3",
};
const read = (given: Record<string, string>) => {
  const checked = checkForm(HoursForm, { ...GIVEN, ...given });
  return checked.fields ? { fields: checked.fields } : hoursFrom(checked.value);
};

describe("a shop's hours", () => {
  it("are read as they are sent, each day once, with a break or none", () => {
    expect(read({ days: "5,1,1" })).toEqual({
      hours: {
        days: [1, 5],
        opens: "08:00",
        closes: "17:00",
        breaks: [{ from: "12:00", to: "12:30" }],
        lifts: 2,
      },
    });
    expect(read({ breakFrom: "", breakTo: "", lifts: "0" })).toMatchObject({
      hours: { breaks: [], lifts: 0 },
    });
  });

  it.each([
    ["closes", { closes: "08:00" }],
    ["closes", { closes: "25:00" }],
    ["opens", { opens: "eight" }],
    ["breakTo", { breakTo: "" }],
    ["breakTo", { breakTo: "11:00" }],
    ["lifts", { lifts: "many" }],
    ["lifts", { lifts: "41" }],
    ["lifts", { lifts: "1.5" }],
    ["days", { days: "" }],
    ["days", { days: "0,8" }],
  ])("say what is wrong beside %s", (field, given) => {
    const result = read(given as Record<string, string>);
    expect("fields" in result && result.fields[field]).toMatch(/\w/);
  });
});
