import { describe, expect, it } from "vitest";
import { doingsKey, doingsOf } from "../../stages/earlier-jobs/index.ts";
import { partsGate } from "../../stages/plan/index.ts";
import { mayClose, openItems } from "../../state/index.ts";
import { admit } from "../admit/index.ts";
import { book } from "../entry/book.fixture.ts";
import type { Entry } from "../entry/index.ts";
import { CheckedPart, ChosenPart, dataOf, OpenedWithout, RefusedPart } from "../facts/index.ts";
import { partsState, wantedParts } from "./parts.ts";

const decides = (id: string, data: Entry["data"]): Partial<Entry> => ({
  id,
  kind: "decision",
  item: "radiator",
  ...(data ? { data } : {}),
});
const chosen = (id: string) =>
  decides(id, dataOf(ChosenPart, { grade: "pattern", supplier: "Tansy & Rudge" }));
const accepted = (part: string, afterAll?: true) =>
  decides(`accepts ${part}${afterAll ?? ""}`, dataOf(CheckedPart, { part, ...(afterAll && { afterAll }) }));
const refused = (part: string) =>
  decides(`refuses ${part}`, dataOf(RefusedPart, { part, because: "a peg bent" }));
const fitted: Partial<Entry> = { id: "in", account: "part", item: "radiator", in: 1 };
const stages = (...drafts: Partial<Entry>[]) => partsState(book(drafts)).map(({ stage }) => stage);

describe("a part's one life", () => {
  it.each<[string, Partial<Entry>[], string[]]>([
    ["is chosen", [chosen("a")], ["chosen"]],
    ["is accepted", [chosen("a"), accepted("a")], ["accepted"]],
    ["is refused", [chosen("a"), refused("a")], ["refused"]],
    ["is what was said last", [chosen("a"), refused("a"), accepted("a", true)], ["accepted"]],
    ["is fitted", [chosen("a"), accepted("a"), fitted], ["fitted"]],
    [
      "is out again",
      [chosen("a"), accepted("a"), fitted, { ...fitted, id: "o", in: undefined, out: 1 }],
      ["out again"],
    ],
    [
      "is fitted once where another was refused",
      [chosen("a"), refused("a"), chosen("b"), accepted("b"), fitted],
      ["refused", "fitted"],
    ],
    ["isn't fitted by the old one that went back before it was chosen", [fitted, chosen("a")], ["chosen"]],
    ["is two lives of two of one name", [chosen("a"), chosen("b"), fitted], ["fitted", "chosen"]],
  ])("%s", (_, drafts, wanted) => expect(stages(...drafts)).toEqual(wanted));

  it("opens Strip and Sign once another was accepted in the place of a refused one, and the shelf counts each once", () => {
    const entries = book([chosen("a"), refused("a"), chosen("b"), accepted("b"), fitted]);
    expect(wantedParts(entries).map(({ entryId }) => entryId)).toEqual(["b"]);
    expect(partsGate(entries).isOpen).toBe(true);
    expect(openItems(entries).filter(({ about }) => about === "part")).toEqual([]);
    expect(mayClose(entries).because.join()).not.toContain("refused");
    const key = doingsKey({ item: "radiator", grade: "pattern", supplier: "Tansy & Rudge" });
    expect(doingsOf([[{ jobId: "j", entries }]]).get(key)).toMatchObject({
      fitted: 1,
      returned: 1,
      failed: 0,
    });
  });

  it("is excused by a reason that was given for it, and not by one that was given before", () => {
    const without = (parts?: string[]) =>
      decides("w", dataOf(OpenedWithout, { because: "it leaks too fast", ...(parts && { parts }) }));
    expect(partsGate(book([chosen("a"), without(["a"])])).isOpen).toBe(true);
    expect(partsGate(book([chosen("a"), without(["a"]), chosen("b")])).isOpen).toBe(false);
    expect(partsGate(book([chosen("a"), without()])).isOpen).toBe(true);
    expect(partsGate(book([chosen("a"), without(["a"]), refused("a")])).isOpen).toBe(false);
  });
});

describe("two people who say the opposite of one part", () => {
  const says = (before: Partial<Entry>[], draft: Partial<Entry>) => {
    const entries = book([...before, draft]);
    return admit(entries.slice(0, -1), entries.at(-1) as Entry, { isSigned: false });
  };
  it("are told of each other, and may say it after all", () => {
    expect(says([chosen("a"), refused("a")], accepted("a"))).toMatchObject({ because: "conflict" });
    expect(says([chosen("a"), accepted("a")], refused("a"))?.message).toContain("after all");
    expect(says([chosen("a"), refused("a")], accepted("a", true))).toBeUndefined();
    expect(
      says([chosen("a"), refused("a"), { kind: "decision", corrects: "refuses a" }], accepted("a")),
    ).toBeUndefined();
    expect(says([chosen("a")], accepted("b"))).toMatchObject({ because: "not found" });
    const refusedAfterAll = decides(
      "refuses a after all",
      dataOf(RefusedPart, { part: "a", because: "a peg bent", afterAll: true }),
    );
    const changed = [chosen("a"), accepted("a"), refusedAfterAll];
    expect(says(changed, accepted("a"))).toMatchObject({ because: "conflict" });
    expect(says(changed, accepted("a", true))).toBeUndefined();
    expect(says([...changed, accepted("a", true)], accepted("a", true))).toMatchObject({
      because: "conflict",
    });
  });
});
