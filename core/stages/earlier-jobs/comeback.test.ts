import { describe, expect, it } from "vitest";
import {
  acceptedPart,
  blewBy,
  chosePart,
  decided,
  letOut,
  poured,
  proved,
  putBack,
  tookOff,
} from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import type { EntryDraft } from "../../book/entry/index.ts";
import { HYPOTHESES } from "../../trade/diagnosis/knowledge/index.ts";
import { comebackOf } from "./comeback.ts";

const hose = { account: "hose", item: "hose", place: "upper" } as const;
const REFILL = [tookOff(hose), letOut("drained", 4), poured(4), putBack(hose)];

/** By how much a fault is likelier after that book. */
const times = (drafts: EntryDraft[], fault: string, days = 0) =>
  comebackOf(book(drafts), days).hints.reduce(
    (product, hint) => (hint.faults.includes(fault) ? product * hint.times : product),
    1,
  );

describe("a car that comes back", () => {
  it("is likelier to have what hands may have left there, and less what was seen sound", () => {
    expect(times(REFILL, "air-lock")).toBeGreaterThan(2);
    expect(times(REFILL, "leak-hose")).toBeGreaterThan(2);
    expect(times(REFILL, "fan-backwards")).toBe(1);
    const tight = [...REFILL, proved({ proof: "pressure", words: "holds pressure" }, "pass")];
    expect(times(tight, "leak-hose")).toBeLessThan(times(REFILL, "leak-hose"));
    expect(times(tight, "leak-pump")).toBeLessThan(1);
    const unseen = [
      ...REFILL,
      proved({ proof: "pressure", words: "holds pressure" }, "not-seen", "no tester"),
    ];
    expect(times(unseen, "leak-pump")).toBe(1);
  });

  it("fades: what was left or proven months ago says nothing any more", () => {
    const [now, weeks, months] = [0, 30, 130].map((days) => times(REFILL, "air-lock", days));
    expect(now).toBeGreaterThan(weeks ?? 0);
    expect(weeks).toBeGreaterThan(1);
    expect(months).toBe(1);
  });

  it("with a fuse whose cause nobody mended is the fuse again, and with one that was mended isn't", () => {
    const fuse = decided("fuse", "Fan fuse blown");
    expect(times([fuse], "motor-stiff")).toBeGreaterThan(3);
    expect(times([fuse, blewBy("none-found")], "fuse")).toBeGreaterThan(3);
    expect(times([fuse, blewBy("wire")], "fuse")).toBeLessThanOrEqual(1);
  });

  it("is named by what was found and fitted, what was put right being seldom it again", () => {
    const chosen = chosePart({ item: "fan motor", grade: "maker's", supplier: "Tansy & Rudge" });
    const entries = book([decided("motor", "Fan motor dead"), chosen]);
    const fitted = [
      decided("motor", "Fan motor dead"),
      chosen,
      acceptedPart({ entryId: entries[1]?.id ?? "", item: "fan motor", words: "Fan motor" } as never),
    ];
    const { words } = comebackOf(book(fitted), 0);
    expect(words).toMatch(/found: Fan motor dead; fitted: .*fan motor/i);
    expect(times(fitted, "motor")).toBeLessThan(1);
    expect(comebackOf([], 0)).toEqual({ words: "nothing written of what it found", hints: [] });
  });

  it("names no fault that Find doesn't know", () => {
    const known = new Set(HYPOTHESES.map(({ id }) => id));
    const off = ["hose", "radiator", "thermostat", "fan", "switch", "cap"].map((item) =>
      tookOff({ account: item === "hose" ? "hose" : "part", item }),
    );
    const plugs = ["fan", "sensor", "switch"].map((place) =>
      tookOff({ account: "connector", item: "plug", place }),
    );
    const { hints } = comebackOf(book([...off, ...plugs, poured(3)]), 0);
    expect(hints.length).toBeGreaterThan(8);
    for (const { faults } of hints) for (const fault of faults) expect(known.has(fault), fault).toBe(true);
  });
});
