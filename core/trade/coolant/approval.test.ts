import { describe, expect, it } from "vitest";
import { approvalSaid } from "./approval.ts";

describe("a coolant's approval", () => {
  it.each([
    ["FW 3", "FW 3"],
    ["FW-3", "fw3"],
    ["FW 3", "FW 30, FW 3; HG 1"],
    ["FW 3, HG 1", "HG-1"],
    ["FW 3 or HG 1", "HG 1"],
    ["FW 32/5", "fw32/5"],
    ["FW 3", "AU 2\nFW 3"],
  ])("“%s” is carried by a can that says “%s”", (asked, carried) => {
    expect(approvalSaid(asked, carried)?.verdict).toBe("pass");
  });

  it.each([
    ["FW 3", "FW 30"],
    ["FW 30", "FW 3"],
    ["FW 3", "not FW 3"],
    ["FW 3", "meets the needs of FW 3 cars"],
    ["FW 3", "AFW 3"],
    ["FW 3", "FW 3 A"],
    ["FW 32/5", "FW 32/6"],
    ["FW 32/5", "FW 32, 5"],
  ])("“%s” is not carried by a can that says “%s”", (asked, carried) => {
    expect(approvalSaid(asked, carried)?.verdict).toBe("fail");
  });

  it("is not seen where the can says nothing, and nobody is judged by a card that asks for none", () => {
    expect(approvalSaid("FW 3", " , ")?.verdict).toBe("not-seen");
    expect(approvalSaid(" ;", "FW 3")).toBeUndefined();
  });

  it("names what was found as the card writes it", () => {
    expect(approvalSaid("FW-3, HG 1", "hg1")?.because).toBe("Its can names HG 1, which the card asks for.");
  });
});
