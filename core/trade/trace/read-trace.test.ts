import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { MOST_CHARACTERS } from "./log-door.ts";
import { readTrace } from "./read-trace.ts";
import { writeTrace } from "./write-trace.ts";

const read = (text: string) => {
  const { trace, problems, assumed } = readTrace(text);
  if (!trace) throw new Error(problems.map((problem) => problem.message).join(" "));
  return { trace, problems, assumed };
};
const refusal = (text: string) => {
  const { trace, problems } = readTrace(text);
  expect(trace).toBeUndefined();
  return problems.find((problem) => problem.stops);
};

describe("readTrace reads", () => {
  it.each([
    ["plain seconds", "time_s,coolant_temp_C,intake_air_C,engine_rpm\n0.0,18,17,811\n1.0,19,17,809"],
    [
      "date and time, °F",
      "Timestamp,Engine Coolant Temperature (F),Intake Air Temp (F),RPM\n2031-03-04T09:12:30.000,64.4,62.6,814\n2031-03-04T09:12:31.000,66.2,62.6,827",
    ],
    [
      "German names, decimal comma, clock",
      "Zeit;Kühlmittel [°C];Ansaugluft [°C];Drehzahl [1/min]\r\n00:00:00,000;18,0;17,0;825\r\n00:00:01,000;19,0;17,0;823\r\n",
    ],
    [
      "a comment, tabs, milliseconds",
      "# recorded at the bench\nelapsed (ms)\tECT degC\tIAT degC\trpm\n0\t18\t17\t829\n1000\t19\t17\t816",
    ],
    [
      "French names",
      "Temps (s);Température liquide de refroidissement (°C);Air admission (°C);Régime moteur\n0;18;17;800\n1;19;17;801",
    ],
    ["quoted decimal commas", '"time_s","coolant_C","intake_C"\n"0,0","18,0","17,0"\n"1,0","19,0","17,0"'],
    ["units behind the figures", "time_s,coolant,iat\n0,18 C,17\n1,19 °C,17"],
  ])("%s", (_, text) => {
    const { trace } = read(text);
    expect([...trace.s]).toEqual([0, 1]);
    expect([...trace.coolantC].map((celsius) => Math.round(celsius * 100) / 100)).toEqual([18, 19]);
    expect(trace.intakeC?.[0]).toBeCloseTo(17, 6);
  });

  it("says which unit it took for granted", () => {
    expect(read("time,ect\n0,180\n1,190\n2,200").assumed.join(" ")).toMatch(/°F/);
    expect(read("time,ect\n0,80\n1000,81\n2000,82").assumed.join(" ")).toMatch(/milliseconds/);
  });

  it("goes on over midnight", () => {
    expect([...read("time,ect_c\n23:59:59,80\n00:00:00,81\n00:00:01,82").trace.s]).toEqual([0, 1, 2]);
  });

  it("leaves out rows without figures, repeated ones and those that step back, by line", () => {
    const { trace, problems } = read("time_s,ect_c\n0,18\n1,NaN\n2,19\n2,19\n1,19\n3,\n4,20\n100,21");
    expect([...trace.s]).toEqual([0, 2, 4, 100]);
    expect(problems.map((problem) => problem.line)).toEqual([3, 6, 5, 9]);
    expect(problems[0]?.message).toMatch(/Lines 3, 7: “ect_c” holds “NaN” first/);
  });

  it("keeps marks with their time", () => {
    expect(read("time_s,ect_c,mark\n0,18,\n1,19,top hose hot").trace.marks).toEqual([
      { s: 1, what: "top hose hot" },
    ]);
  });
});

describe("readTrace refuses with a sentence", () => {
  it.each([
    ["an empty file", " \n", /empty/, 1],
    ["a picture", "\u0089PNG\r\n\u001a\n\u0000\u0000", /picture/, 1],
    ["no header", "0,18\n1,19", /header/, 1],
    ["no temperature column", "time_s,rpm\n0,800\n1,810", /names time_s, rpm/, 1],
    ["no time column", "ect_c,rpm\n18,800\n19,810", /time, seconds/, 1],
    ["no row of figures", "time_s,ect_c\nNaN,NaN\n,", /No row/, 2],
    ["one row", "time_s,ect_c\n0,18", /only row/, 2],
    ["a clock that runs backwards", "time_s,ect_c\n9,18\n8,18\n7,19\n6,19", /backwards/, 3],
    ["a clock that stands", "time_s,ect_c\n9,18\n9,18\n9,19", /never moves/, 3],
    ["two units behind the figures", "time_s,ect\n0,18 C\n1,19 C\n2,68 F", /changes its unit/, 4],
    ["a unit that isn't the header's", "time_s,ect_c\n0,66 F\n1,67 F", /in °C by its header/, 2],
  ])("%s", (_, text, message, line) => {
    expect(refusal(text)).toMatchObject({ message: expect.stringMatching(message), line });
  });

  it("a unit that changes in the middle", () => {
    const rows = Array.from({ length: 20 }, (_, i) => `${i},${i < 10 ? 60 + i : 140 + i * 1.8}`);
    expect(refusal(`time_s,ect\n${rows.join("\n")}`)?.message).toMatch(/changes its unit 10 s into the log/);
  });

  it("60 MB", () => {
    expect(refusal("time_s,ect_c\n".padEnd(60_000_000, "0,18\n"))?.message).toMatch(/60 MB; at most 48 MB/);
    expect(MOST_CHARACTERS).toBe(48_000_000);
  });

  it("or reads, whatever the text: never a throw, never a figure that isn't finite", () => {
    const cell = fc.constantFrom("0", "1,5", "-40", "NaN", "", "12:00:01", '"', "x", "1e5", "90 F");
    const text = fc
      .array(fc.array(cell, { maxLength: 4 }).map((cells) => cells.join(";")))
      .map((lines) => `time;coolant;iat\n${lines.join("\n")}`);
    fc.assert(
      fc.property(fc.oneof(fc.string(), text), (log) => {
        const { trace, problems } = readTrace(log);
        expect(problems.some((problem) => problem.stops)).toBe(trace === undefined);
        if (!trace) return;
        for (let i = 0; i < trace.s.length; i++) {
          expect(Number.isFinite(trace.s[i]) && Number.isFinite(trace.coolantC[i])).toBe(true);
          if (i > 0) expect(trace.s[i]).toBeGreaterThan(trace.s[i - 1] ?? 0);
        }
      }),
    );
  });
});

describe("writeTrace", () => {
  it("writes what reads back the same", () => {
    const { trace } = read(
      'time_s,coolant_C,intake_C,engine_rpm,mark\n0,18,17,800,\n1.5,19.25,,810,"fan, low"',
    );
    expect(readTrace(writeTrace(trace)).trace).toEqual(trace);
  });
});
