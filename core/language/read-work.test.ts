import { describe, expect, it } from "vitest";
import type { Entry, EntryDraft } from "../book/entry/index.ts";
import { entryTrouble } from "../book/facts/index.ts";
import { stillOut } from "../book/out/index.ts";
import { completeLine } from "./complete-line.ts";
import type { LineContext } from "./line.ts";
import { readLine } from "./read-line.ts";

/** A job's book that grows line by line, as at the entry line. */
class Book {
  entries: Entry[] = [];
  cap: LineContext["cap"] = () => ({ safeNow: "pass", because: "Cold." });
  read(line: string) {
    return readLine(line, { ...this.context, entries: this.entries, open: stillOut(this.entries) });
  }
  get context() {
    return {
      open: stillOut(this.entries),
      stage: "strip" as const,
      system: "metric" as const,
      entries: this.entries,
      cap: this.cap,
    };
  }
  book(line: string): EntryDraft[] {
    const read = this.read(line);
    if (!("entry" in read)) throw new Error(`${line}: expected ${read.expected}`);
    const drafts = [read.entry, ...read.more];
    for (const draft of drafts) {
      const entry: Entry = {
        ...draft,
        id: `00000000-0000-4000-8000-${String(this.entries.length + 1).padStart(12, "0")}`,
        jobId: "00000000-0000-4000-8000-000000000000",
        seq: this.entries.length + 1,
        at: "2030-01-01T08:00:00.000Z",
        by: "00000000-0000-4000-8000-00000000000a",
        stage: "strip",
      };
      const { jobId: _, seq: __, by: ___, ...written } = entry;
      expect(entryTrouble(written), line).toBeUndefined();
      this.entries.push(entry);
    }
    return drafts;
  }
}
const refusal = (book: Book, line: string) => {
  const read = book.read(line);
  return "entry" in read ? `read as: ${read.reading}` : read.expected;
};

describe("a line of Plan", () => {
  it.each([
    ["choose radiator pattern Tansy & Rudge", "radiator", "pattern", "Tansy & Rudge"],
    ["choose radiator, pattern part, from Tansy & Rudge.", "radiator", "pattern", "Tansy & Rudge"],
    ["Choose left fan motor maker's Coldbrook Parts", "left fan motor", "maker's", "Coldbrook Parts"],
    ["choose radiator all metal from Coldbrook Parts", "radiator", "all-metal", "Coldbrook Parts"],
    ["choose shroud used, the yard behind the mill", "shroud", "used", "the yard behind the mill"],
  ])("%s", (line, item, grade, supplier) => {
    const [only, ...more] = new Book().book(line);
    expect(more).toEqual([]);
    expect(only).toMatchObject({ kind: "decision", item, data: { fact: "chosen-part", grade, supplier } });
  });

  it("names what it wants where it can't be read, and books nothing", () => {
    const book = new Book();
    expect(refusal(book, "choose radiator from Tansy & Rudge")).toMatch(/one grade, and what it is: maker's/);
    expect(refusal(book, "choose radiator pattern or used Tansy")).toMatch(/one grade/);
    expect(refusal(book, "choose radiator pattern")).toMatch(/the supplier/);
    expect(refusal(book, "choose pattern Tansy & Rudge")).toMatch(/the part/);
    expect(refusal(book, "accept radiator")).toMatch(/a part to be chosen first/);
    book.book("choose radiator pattern Tansy & Rudge");
    book.book("choose fan motor used Tansy & Rudge");
    expect(refusal(book, "accept")).toMatch(/radiator, fan motor/);
    expect(refusal(book, "accept thermostat")).toMatch(/radiator, fan motor/);
    expect(refusal(book, "refuse radiator")).toMatch(/what is wrong with it/);
    book.book("accept radiator");
    expect(refusal(book, "accept radiator")).toMatch(/one part that is chosen and not accepted: fan motor/);
    expect(book.book("refuse fan motor: blades cracked")[0]).toMatchObject({
      text: "refused: blades cracked",
    });
    expect(refusal(book, "order a new radiator")).not.toMatch(/read as/);
    expect(refusal(book, "order of work bumper")).toMatch(/what comes out/);
    expect(refusal(book, "order of work radiator with wings")).toMatch(/something that this car has/);
    expect(refusal(book, "step undertray done")).toMatch(/an order of work first/);
  });
});

describe("a job by its lines alone", () => {
  it("goes from Plan to all back, each step with what it takes, the way back as offered", () => {
    const book = new Book();
    book.book("choose radiator pattern Tansy & Rudge");
    book.book("accept radiator");
    book.book("order of work radiator with undertray, bumper and condenser");
    expect(refusal(new Book(), "step")).not.toMatch(/read as/);
    expect(refusal(book, "step brackets off, radiator out done")).toMatch(
      /^read as: Brackets off, radiator out/,
    );
    expect(refusal(book, "step off done")).toMatch(/one step that isn't done/);
    let steps = 0;
    for (let next = completeLine("step", book.context)[0]; next?.endsWith("done"); steps++) {
      book.book(next);
      next = completeLine("step", book.context)[0];
    }
    expect(steps).toBe(11);
    expect(stillOut(book.entries).map(({ item }) => item)).toEqual(
      expect.arrayContaining(["undertray", "bumper", "hose", "shroud", "fan", "radiator"]),
    );
    expect(refusal(book, "step undertray done")).toMatch(/all steps are done/);
    expect(book.book("step undertray back")).toMatchObject([
      { data: { fact: "step-back", step: "undertray" } },
      { account: "part", item: "undertray", in: 1 },
    ]);
    expect(refusal(book, "step undertray back")).toMatch(/one step that is off/);
    for (let next = completeLine("step", book.context)[0]; next; next = completeLine("step", book.context)[0])
      book.book(next);
    expect(stillOut(book.entries)).toEqual([]);
    expect(refusal(book, "step bumper back")).toMatch(/a step that is off/);
  });
});

describe("a step that opens a cap or loosens a hose", () => {
  const steps = ["engine cold", "coolant drained and measured", "hoses off"];
  const ordered = (cap: LineContext["cap"]) => {
    const book = new Book();
    book.cap = cap;
    book.book("order of work radiator");
    return book;
  };

  it("is done by line only on the evidence that the taps ask for, and says what stands in its way", () => {
    for (const safeNow of ["fail", "not-seen"] as const) {
      const book = ordered(() => ({ safeNow, because: "Read at 90 °C." }));
      for (const step of steps)
        expect(refusal(book, `step ${step} done`)).toMatch(/^evidence that.*; Read at 90 °C$/);
      expect(completeLine("step", book.context)).toEqual([]);
    }
    for (const step of steps) expect(refusal(ordered(undefined), `step ${step} done`)).toMatch(/^evidence/);
    for (const step of steps) expect(refusal(new Book(), `step ${step} done`)).not.toMatch(/^read as/);
  });

  it("doesn't hold up the others, nor any way back", () => {
    const book = ordered(() => ({ safeNow: "fail", because: "Hot." }));
    book.book("step car on stands done");
    book.book("step car down off its stands back");
  });
});

describe("a part that was refused", () => {
  it("is accepted only by whoever says that it is after all", () => {
    const book = new Book();
    for (const line of ["choose radiator pattern Tansy & Rudge", "refuse radiator: a peg bent"])
      book.book(line);
    expect(refusal(book, "accept radiator")).toMatch(/after all.*a peg bent/);
    expect(book.book("accept radiator after all")[0]?.data).toMatchObject({
      fact: "checked-part",
      afterAll: true,
    });
  });
});

describe("a coolant's bare figure in a shop of °F", () => {
  const read = (line: string) => readLine(line, { ...new Book().context, system: "us" });
  it("is asked about where it is warm in one unit and cool in the other", () => {
    expect(read("ect 110")).toMatchObject({
      choices: [{ entry: { value: expect.closeTo(43.3, 1) } }, { entry: { value: 110 } }],
    });
    for (const [line, celsius] of [
      ["ect 208", 97.8],
      ["ect 110 f", 43.3],
      ["ect 110 c", 110],
      ["ect 46", 7.8],
    ] as const)
      expect(read(line), line).toMatchObject({ entry: { value: expect.closeTo(celsius, 1) } });
  });
});

describe("what broke and what was seen", () => {
  it.each([
    ["broke 2 clips undertray", 2, "clips undertray", "broke"],
    ["broken clip", 1, "clip", "broke"],
    ["broke 1 m6x20 bag 2", 1, "m6x20", "broke"],
    ["sheared off 2 m8x25", 2, "m8x25", "broke"],
    ["snapped clip", 1, "clip", "broke"],
    ["lost 3 m6x20 from bag 4", 3, "m6x20", "missing"],
    ["get 4 x m6x25", 4, "m6x25", "missing"],
    ["get 3× peg bush", 3, "peg bush", "missing"],
  ])("%s", (line, count, item, because) => {
    expect(new Book().book(line)).toMatchObject([{ item, data: { fact: "to-get", count, because } }]);
  });

  it.each([
    ["get m6x25 x4", 4, "m6x25"],
    ["get m6x25 × 4", 4, "m6x25"],
    ["get peg bush 2 off", 2, "peg bush"],
    ["get 10 mm socket", 1, "10 mm socket"],
    ["broke 5A fuse", 1, "5a fuse"],
    ["broke 2 m6x20", 2, "m6x20"],
  ])("%s: a size is no count, and a count may stand behind", (line, count, item) => {
    expect(new Book().book(line)).toMatchObject([{ item, data: { count } }]);
  });

  it.each([
    "get 2 clips x 3",
    "get 2 v belts",
    "broke 5 a fuse",
    "get clips 3",
    "get 2 clips 4 bolts",
    "get in touch with the owner",
    "get it back on thursday",
    "broke down on the pass",
    "seen lower hose not sound",
    "seen hose isn't sound",
    "seen belt makes a sound",
    "seen the fan never replaced",
    "choose radiator not pattern Tansy & Rudge",
    "choose radiator pattern Tansy & Rudge 149",
    "choose radiator pattern Tansy & Rudge 149,50 €",
    "accept no radiator",
    "order of work radiator without bumper",
    "order of work fan only, no battery",
  ])("“%s” is refused rather than booked as something else", (line) => {
    const book = new Book();
    book.book("choose radiator pattern Tansy & Rudge");
    expect(refusal(book, line)).not.toMatch(/^read as/);
  });

  it("is ticked as here once, and looked at in one word", () => {
    const book = new Book();
    expect(refusal(book, "got clips")).toMatch(/something that is to get/);
    book.book("broke 2 clips");
    book.book("get drain plug");
    expect(refusal(book, "got")).toMatch(/one thing that is to get: clips, drain plug/);
    book.book("got clips");
    expect(refusal(book, "got clips")).toMatch(/drain plug/);
    expect(refusal(book, "broke 0 clips")).toMatch(/how many/);
    expect(refusal(book, "broke 5000 clips")).toMatch(/how many/);
    expect(refusal(book, "broke")).toMatch(/what it is/);
    expect(book.book("seen lower hose declined, soft at its end")).toMatchObject([
      { item: "lower hose", text: "soft at its end; advised, declined", data: { as: "declined" } },
    ]);
    expect(refusal(book, "seen lower hose")).toMatch(/not its opposite: sound/);
    expect(refusal(book, "seen declined")).toMatch(/what was looked at/);
    expect(refusal(book, "seen hose sound or declined")).toMatch(/one of/);
  });
});
