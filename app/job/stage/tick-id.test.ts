import { describe, expect, it } from "vitest";
import { book } from "../../../core/book/entry/book.fixture.ts";
import type { Entry, EntryDraft } from "../../../core/book/entry/index.ts";
import { moveTick, sayTick, tickId } from "./tick-id.ts";

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

describe("tickId", () => {
  it("is the same for the same tick, another for any other, and always a uuid", () => {
    expect(tickId("a", 2)).toBe(tickId("a", 2));
    expect(new Set([tickId("a", 1), tickId("a", 2), tickId("b", 1), tickId("a"), tickId("a:1")]).size).toBe(
      4,
    );
    expect(tickId("a")).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  });
});
