import { describe, expect, it } from "vitest";
import { whatGoesIn } from "./what-goes-in.ts";

const card = { coolantKind: "oat", coolantProduct: "Fellwater Red", coolantApproval: "Norm K3" };
const shelf = [
  { item: "Alder Universal", kind: "hoat", approval: "Norm K1, Norm K3" },
  { item: "Fellwater Red", kind: "oat", approval: "Norm K2, Norm K3" },
  { item: "Hearth Green", kind: "iat", approval: "" },
];

describe("what goes in", () => {
  it("is the card's own with what the shelf knows of its can", () => {
    expect(whatGoesIn("card's", undefined, card, shelf)).toMatchObject({
      kind: "oat",
      product: "Fellwater Red",
      isCardsLabel: true,
      approval: { verdict: "pass" },
    });
  });

  it("is one of the shelf with its own kind, which is no card's label", () => {
    expect(whatGoesIn("shelf: Alder Universal, hoat", undefined, card, shelf)).toMatchObject({
      kind: "hoat",
      product: "Alder Universal",
      isCardsLabel: false,
      approval: { verdict: "pass" },
    });
    expect(whatGoesIn("shelf: Hearth Green, iat", undefined, card, shelf).approval?.verdict).toBe("not-seen");
  });

  it("believes whoever holds the can about its kind", () => {
    expect(whatGoesIn("shelf: Alder Universal, hoat", "p-oat", card, shelf).kind).toBe("p-oat");
  });

  it("has no name where nobody gives one, and takes nothing for granted of what has left the shelf", () => {
    for (const label of ["another", "Taken Off Since"]) {
      const found = whatGoesIn(label, undefined, card, shelf);
      expect(found.product).toBeUndefined();
      expect(found.isCardsLabel).toBe(false);
      expect(found.approval?.verdict).toBe("not-seen");
    }
  });

  it("tells two kinds under one name apart, and a coolant that is called as the card's is", () => {
    const two = [{ item: "Fellwater Red", kind: "iat", approval: "Norm K9" }, ...shelf];
    expect(whatGoesIn("card's", undefined, card, two).approval?.verdict).toBe("pass");
    expect(whatGoesIn("shelf: Fellwater Red, iat", undefined, card, two)).toMatchObject({
      kind: "iat",
      isCardsLabel: false,
      approval: { verdict: "fail" },
    });
    const odd = [{ item: "card's", kind: "iat", approval: "" }];
    expect(whatGoesIn("card's", undefined, card, odd)).toMatchObject({ kind: "oat", isCardsLabel: true });
  });

  it("says nothing of approvals where the card asks for none", () => {
    expect(whatGoesIn("card's", undefined, { ...card, coolantApproval: "" }, shelf).approval).toBeUndefined();
  });
});
