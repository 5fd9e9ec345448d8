import { describe, expect, it } from "vitest";
import { book } from "../../../core/book/entry/book.fixture.ts";
import type { Entry, EntryDraft } from "../../../core/book/entry/index.ts";
import { moveTick, sayTick } from "./tick-id.ts";

const hose: Partial<Entry> = { account: "hose", item: "hose", place: "upper", out: 1 };
const back: EntryDraft = { kind: "movement", account: "hose", item: "hose", place: "upper", in: 1 };
const tick = (drafts: Partial<Entry>[], job = "job") => moveTick(job, book(drafts), back);

describe("the tick of a thing of which there is one", () => {
  it("is one for everybody who sees the same book, whatever else stands in it", () => {
    expect(tick([hose])).toBe(tick([hose]));
    expect(tick([hose, { kind: "note", text: "seen" }])).toBe(tick([hose]));
    expect(tick([{ ...hose, place: "Upper " }])).toBe(tick([hose]));
  });

  it("is another one for another job, direction or count, and after the thing has moved or its tick was struck", () => {
    const ticks = [
      tick([hose]),
      tick([hose], "other"),
      moveTick("job", book([hose]), { ...back, in: undefined, out: 1 }),
      moveTick("job", book([hose]), { ...back, in: 2 }),
      tick([hose, { ...hose, out: undefined, in: 1 }]),
      tick([hose, { ...hose, out: undefined, in: 1 }, { kind: "movement", corrects: "e2" }]),
    ];
    expect(new Set(ticks).size).toBe(ticks.length);
  });

  it("of something said once can be said again once it was struck", () => {
    const isIt = ({ text }: Entry) => text === "read";
    const none = sayTick("job", book([hose]), "caution", isIt);
    expect(none).toBe(sayTick("job", [], "caution", isIt));
    expect(sayTick("job", book([{ kind: "caution", text: "read" }]), "caution", isIt)).not.toBe(none);
  });
});
