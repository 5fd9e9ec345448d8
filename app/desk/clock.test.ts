import { describe, expect, it } from "vitest";
import { byServersClock } from "./clock.ts";

const now = new Date("2031-03-04T10:00:00Z");
const at = "2031-03-04T09:30:00.000Z";

describe("a moment by a browser's clock", () => {
  it("is put right by how far that clock is off", () => {
    expect(byServersClock(at, "2031-03-04T09:50:00Z", now)).toBe("2031-03-04T09:40:00.000Z");
    expect(byServersClock(at, "2031-03-04T10:10:00Z", now)).toBe("2031-03-04T09:20:00.000Z");
  });

  it("is left as it is where no clock reaches", () => {
    for (const far of ["+275760-09-13T00:00:00.000Z", "never"])
      expect(byServersClock(far, "2031-03-04T09:50:00Z", now)).toBe(far);
  });

  it.each([null, "", "yesterday", "2031-03-04T10:00:05Z", "2029-03-04T10:00:00Z"])(
    "is left as it is by %j",
    (says) => expect(byServersClock(at, says, now)).toBe(at),
  );
});
