import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  BLOCKS,
  codeBytes,
  meaningOf,
  type PortRequest,
  QUANTITIES,
  QUANTITY_NAMES,
  readAnswer,
  readRequest,
  requestLine,
  supportBytes,
  troubleCodes,
  valueLine,
} from "./index.ts";

const coolant: PortRequest = { ask: "value", of: "coolantC" };

describe("an answer of a diagnostic port", () => {
  // Worked examples of the standard's own formulas: A − 40, (256 A + B) / 4, A · 100 / 255, (256 A + B) / 1000.
  it.each([
    ["coolantC", "41 05 7B", 83],
    ["coolantC", "410500", -40],
    ["coolantC", "41 05 ff", 215],
    ["rpm", "41 0C 1A F8", 1726],
    ["kmh", "41 0D 32", 50],
    ["intakeC", "41 0F 46", 30],
    ["throttlePercent", "41 11 33", 20],
    ["volts", "41 42 36 B0", 14],
    ["ambientC", "41 46 3E", 22],
  ] as const)("%s of %s is %d", (of, line, value) => {
    const answer = readAnswer({ ask: "value", of }, line);
    expect(answer).toMatchObject({ is: "value" });
    expect((answer as { value: number }).value).toBeCloseTo(value, 6);
  });

  it.each([
    ["no data", "none"],
    ["NO DATA", "none"],
    ["7F 01 12", "none"],
    ["", "garbage"],
    ["41 05", "garbage"],
    ["41 05 7", "garbage"],
    ["41 05 7B 7B", "garbage"],
    ["41 0C 1A F8", "garbage"],
    ["7F 03 12", "garbage"],
    ["hello", "garbage"],
    ["<html>502 Bad Gateway</html>", "garbage"],
    ["41 05 7B".repeat(5000), "garbage"],
  ])("“%s” to a question for coolant is %s", (line, is) => {
    expect(readAnswer(coolant, line).is).toBe(is);
  });

  it("that is garbage says so in a sentence that ends", () => {
    for (const line of ["41 05", "41 0C 1A F8", "x".repeat(9000)]) {
      const answer = readAnswer(coolant, line);
      expect(answer).toMatchObject({ is: "garbage", because: expect.stringMatching(/^“.*\.$/) });
      expect((answer as { because: string }).because.length).toBeLessThan(120);
    }
  });

  it("never throws and never makes a value of another's line", () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...QUANTITY_NAMES), (line, of) => {
        const answer = readAnswer({ ask: "value", of }, line);
        if (answer.is === "value") expect(Number.isFinite(answer.value)).toBe(true);
      }),
      { seed: 24, numRuns: 500 },
    );
    for (const of of QUANTITY_NAMES)
      for (const other of QUANTITY_NAMES)
        expect(readAnswer({ ask: "value", of }, valueLine(other, 20)).is).toBe(
          of === other ? "value" : "garbage",
        );
  });

  it("is read as near as its bytes tell it, whatever is said", () => {
    const steps = { C: 1, rpm: 0.25, "km/h": 1, "%": 100 / 255, V: 0.001 };
    fc.assert(
      fc.property(
        fc.constantFrom(...QUANTITY_NAMES),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (of, value) => {
          const answer = readAnswer({ ask: "value", of }, valueLine(of, value));
          expect(answer.is).toBe("value");
          expect(Math.abs((answer as { value: number }).value - value)).toBeLessThanOrEqual(
            steps[QUANTITIES[of].unit] / 2 + 1e-9,
          );
        },
      ),
      { seed: 24 },
    );
  });
});

describe("what a car has", () => {
  it("is read from the standard's example: BE 1F A8 13", () => {
    const answer = readAnswer({ ask: "supported", block: 0 }, "41 00 BE 1F A8 13");
    const pids = [1, 3, 4, 5, 6, 7, 12, 13, 14, 15, 16, 17, 19, 21, 28, 31, 32];
    expect(answer).toEqual({ is: "supported", pids });
  });

  it("is told as it is read, over all its blocks", () => {
    const has = new Set([0x05, 0x0c, 0x0d, 0x0f, 0x11, 0x42, 0x46]);
    const told = BLOCKS.flatMap((block) => {
      const line = requestLine({ ask: "supported", block }).replace("01", "41");
      const bytes = supportBytes(block, has).map((byte) => byte.toString(16).padStart(2, "0"));
      const answer = readAnswer({ ask: "supported", block }, `${line} ${bytes.join(" ")}`);
      return answer.is === "supported" ? answer.pids : [];
    });
    expect(told.filter((pid) => ![0x20, 0x40, 0x60].includes(pid))).toEqual([...has]);
    expect(told).toContain(0x40);
    expect(told).not.toContain(0x60);
  });
});

describe("trouble codes", () => {
  it.each([
    ["43 01 33 00 00 00 00", ["P0133"]],
    ["43 02 01 15 04 80", ["P0115", "P0480"]],
    ["43 00", []],
    ["43 00 00", []],
    ["43 C1 00", ["U0100"]],
    ["43 41 23 81 23", ["C0123", "B0123"]],
  ])("%s", (line, codes) => expect(readAnswer({ ask: "codes" }, line)).toEqual({ is: "codes", codes }));

  it("that are counted otherwise than they come are not believed", () => {
    expect(readAnswer({ ask: "codes" }, "43 03 01 15 04 80").is).toBe("garbage");
    expect(readAnswer({ ask: "codes" }, `43 ${"01 15 ".repeat(200)}`).is).toBe("garbage");
  });

  it("go there and back, and mean something where they touch cooling", () => {
    for (const code of ["P0115", "P2181", "C1FFF", "B3ABC", "U0100"])
      expect(troubleCodes(codeBytes(code))).toEqual([code]);
    expect(() => codeBytes("P9999")).toThrow(/no trouble code/);
    expect(meaningOf("P0128")).toMatch(/thermostat/);
    expect(meaningOf("toString")).toBeUndefined();
  });
});

describe("a request", () => {
  it.each<[PortRequest, string]>([
    [coolant, "01 05"],
    [{ ask: "supported", block: 0x20 }, "01 20"],
    [{ ask: "codes" }, "03"],
    [{ ask: "clear" }, "04"],
  ])("%o is %s", (request, line) => {
    expect(requestLine(request)).toBe(line);
    expect(readRequest(line.toLowerCase().replace(" ", ""))).toEqual(request);
  });

  it("for the fan is answered, refused, or not there", () => {
    const fan = { ask: "fan", isOn: true } as const;
    const line = requestLine(fan);
    expect(readRequest(line)).toEqual(fan);
    expect(readAnswer(fan, `6F${line.slice(2)}`)).toEqual({ is: "done" });
    expect(readAnswer(fan, "7F 2F 22")).toEqual({ is: "none" });
    expect(readRequest("09 02")).toBeUndefined();
  });
});
