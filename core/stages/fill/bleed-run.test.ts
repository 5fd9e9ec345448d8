import { describe, expect, it } from "vitest";
import type { Entry, EntryDraft } from "../../book/entry/index.ts";
import { BleedSign, BleedStep, dataOf } from "../../book/facts/index.ts";
import { seededRandom } from "../../kernel/chance/index.ts";
import { samples } from "../../samples.fixture.ts";
import { engineState } from "../../state/index.ts";
import { waitOf } from "../overview/index.ts";
import { bleedRun } from "./bleed-run.ts";

const START = Date.parse("2031-03-04T09:00:00Z");
const CAR = { fillPoint: "radiator cap", fanOnC: [92] };

/** A book whose lines are booked a minute apart, or so many minutes after the first. */
function book(...drafts: (EntryDraft & { minute?: number })[]): Entry[] {
  return drafts.map(({ minute, ...draft }, place) => ({
    id: `e${place}`,
    jobId: "j",
    seq: place + 1,
    at: new Date(START + (minute ?? place) * 60_000).toISOString(),
    by: "ilse",
    stage: "fill",
    ...draft,
  })) as Entry[];
}
const step = (at: number, does: "starts" | "ends" | "stops", minutes?: number): EntryDraft => ({
  kind: "decision",
  item: "bleeding, open cap",
  text: `step ${at} ${does}`,
  data: dataOf(BleedStep, { school: "open-cap", step: at, does, ...(minutes ? { minutes } : {}) }),
});
const pour = (litres: number): EntryDraft => ({
  kind: "movement",
  account: "coolant",
  item: "poured",
  in: litres,
  unit: "L",
});
const read = (value: number): EntryDraft => ({ kind: "reading", item: "coolant sensor", value, unit: "°C" });

describe("a run of bleeding", () => {
  it("is told by the book alone: step, clock, cycles, signs", () => {
    const run = bleedRun(
      book(
        step(0, "starts"),
        pour(5),
        step(1, "starts", 12),
        {
          kind: "note",
          text: "heater blows hot",
          data: dataOf(BleedSign, { sign: "heater", verdict: "pass" }),
        },
        step(4, "starts"),
        pour(0.4),
        pour(0.2),
        step(4, "ends"),
        step(1, "starts", 12),
        step(4, "starts"),
        step(4, "ends"),
        step(1, "starts", 12),
      ),
      CAR,
    );
    expect(run?.cycles).toEqual([{ toppedUpL: expect.closeTo(0.6, 9) }, { toppedUpL: 0 }]);
    expect(run).toMatchObject({ step: 1, signs: { heater: "pass" } });
    expect(Date.parse(run?.endsAt ?? "") - Date.parse(run?.startedAt ?? "")).toBe(12 * 60_000);
    expect(run?.stopped).toBeUndefined();
  });

  it("is stopped by a reading over the limit while the engine runs, and by a person", () => {
    const hot = book(step(1, "starts", 12), read(99), read(90), read(80));
    const run = bleedRun(hot, CAR);
    expect(run?.stopped).toContain("99 °C");
    expect(engineState(hot, hot.at(-1)?.at ?? "", CAR)).toMatchObject({
      isRunning: false,
      hottestC: 99,
      readings: [{ coolantC: 99 }, { coolantC: 90 }, { coolantC: 80 }],
    });
    expect(bleedRun(book(step(1, "starts", 12), read(98)), CAR)?.stopped).toBeUndefined();
    expect(bleedRun(book(step(1, "starts", 12), step(1, "stops")), CAR)?.stopped).toBe("step 1 stops");
    expect(
      bleedRun(book(step(1, "starts", 12), read(99), step(1, "starts", 12)), CAR)?.stopped,
    ).toBeUndefined();
  });

  it("counts one top-up when two people end it at once, and keeps it over a second ending", () => {
    const ended = [step(4, "starts"), pour(0.3), step(4, "ends"), step(1, "starts", 12)];
    const twice = bleedRun(book(...ended, step(4, "ends"), step(1, "starts", 12)), CAR);
    expect(twice?.cycles).toEqual([{ toppedUpL: 0.3 }]);
  });

  it("is over when a top-up was the last, and the next person waits for nothing", () => {
    const ended = book(step(4, "starts"), pour(0.1), step(4, "ends"));
    expect(bleedRun(ended, CAR)).toMatchObject({ isEnded: true, cycles: [{ toppedUpL: 0.1 }] });
    expect(
      bleedRun(book(step(4, "starts"), pour(0.1), step(4, "ends"), step(4, "ends")), CAR)?.cycles,
    ).toHaveLength(1);
    expect(waitOf(ended, "2031-03-04T09:00:00.000Z").waitsFor).toBe("hands");
  });

  it("asks a figure again that is too cool for an engine that ran until now", () => {
    const entries = book(step(2, "starts", 10), step(3, "starts"), read(46));
    const { ranUntil, cap } = engineState(entries, entries[2]?.at ?? "", CAR);
    expect(ranUntil).toBe(entries[1]?.at);
    expect(cap).toMatchObject({
      safeNow: "not-seen",
      because: expect.stringContaining("no engine cools so fast"),
    });
  });

  it("counts litres that are written down a minute after their cycle was ended", () => {
    const late = book(step(4, "starts"), pour(0.3), step(4, "ends"), step(1, "starts", 12), pour(0.2));
    expect(bleedRun(late, CAR)?.cycles).toEqual([{ toppedUpL: 0.5 }]);
    const muchLater = book(step(4, "starts"), step(4, "ends"), { ...pour(0.2), minute: 30 });
    expect(bleedRun(muchLater, CAR)?.cycles).toEqual([{ toppedUpL: 0 }]);
  });

  it("begins anew with another school, or with its first step", () => {
    const first = [step(4, "starts"), pour(0.3), step(4, "ends")];
    expect(bleedRun(book(...first, step(0, "starts")), CAR)?.cycles).toEqual([]);
    expect(bleedRun([], CAR)).toBeUndefined();
  });

  it("holds for whatever lines in whatever order", () => {
    const random = seededRandom(12);
    const pick = <Value>(values: readonly Value[]) => values[Math.floor(random() * values.length)] as Value;
    const runs = samples(300, 2000);
    for (let run = 0; run < runs; run++) {
      const lines = Array.from({ length: 12 }, () =>
        pick([
          () =>
            step(
              Math.floor(random() * 21),
              pick(["starts", "ends", "stops"] as const),
              random() < 0.5 ? 12 : undefined,
            ),
          () => pour(80 * random()),
          () => read(Math.round(400 * random() - 100)),
          () => ({ kind: "reading", item: "coolant sensor", text: "lost" }) as EntryDraft,
        ])(),
      );
      const entries = book(...lines);
      expect(() => bleedRun(entries, CAR)).not.toThrow();
      expect(() => waitOf(entries, entries[0]?.at ?? "")).not.toThrow();
    }
  });
});

describe("a job that bleeds", () => {
  const opened = new Date(START).toISOString();
  it("waits for heat by its clock, by its cool-down, and for hands once it may be opened", () => {
    expect(waitOf(book(step(1, "starts", 12)), opened)).toMatchObject({
      waitsFor: "heat",
      until: new Date(START + 12 * 60_000).toISOString(),
    });
    const cooling = [95, 86, 79, 73, 68, 64].map((celsius, place) => ({
      ...read(celsius),
      minute: 10 + 6 * place,
    }));
    const later = [56, 50, 45].map((celsius, place) => ({ ...read(celsius), minute: 52 + 12 * place }));
    const waits = waitOf(book(step(3, "starts"), ...cooling), opened);
    expect(waits).toMatchObject({ waitsFor: "heat", words: "it cools" });
    expect(Date.parse(waits.until ?? "")).toBeGreaterThan(START + 40 * 60_000);
    expect(waitOf(book(step(3, "starts"), ...cooling, ...later), opened).waitsFor).toBe("hands");
    expect(waitOf(book(step(1, "starts", 12), step(1, "stops")), opened)).toMatchObject({ waitsFor: "heat" });
    expect(waitOf(book(step(4, "starts"), step(4, "ends")), opened).waitsFor).toBe("hands");
  });

  it("waits for no clock once a reading over its limit has stopped it, however that was booked", () => {
    // 6 °C over the fan's start is the limit.
    const hot = book(step(1, "starts", 12), read(99));
    expect(waitOf(hot, opened, CAR)).toMatchObject({
      waitsFor: "heat",
      words: "stopped hot: it cools",
      since: hot[1]?.at,
    });
    expect(waitOf(hot, opened, CAR).until).not.toBe(new Date(START + 12 * 60_000).toISOString());
    expect(waitOf(book(step(1, "starts", 12), read(97)), opened, CAR).until).toBe(
      new Date(START + 12 * 60_000).toISOString(),
    );
    const cold = book(
      step(1, "starts", 12),
      read(99),
      ...[94, 87, 81, 75, 70, 65, 61, 57, 53, 50, 47].map((celsius, place) => ({
        ...read(celsius),
        minute: 6 + 8 * place,
      })),
    );
    expect(waitOf(cold, opened, CAR)).toMatchObject({ waitsFor: "hands", words: "cool enough to open" });
    expect(waitOf(book(step(1, "starts", 12), read(99), step(1, "starts", 12)), opened, CAR).words).toBe(
      "bleeding, open cap",
    );
  });
});
