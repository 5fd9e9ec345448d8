import { describe, expect, it } from "vitest";
import type { NextAction } from "../../trade/diagnosis/index.ts";
import { type FindState, findState } from "./find-state.ts";
import { morningAfter, overnightOffer } from "./overnight.ts";

const act = (id: string, expectedCents: number, first?: NextAction["first"]): NextAction => ({
  kind: "test",
  id,
  expectedCents,
  because: "",
  ...(first ? { first } : {}),
});
const withActions = (...actions: NextAction[]): FindState => ({
  ...findState([], "ecu-relay"),
  actions: actions.sort((a, b) => a.expectedCents - b.expectedCents),
});

describe("a night", () => {
  const midday = 12;
  const evening = 17;
  it("is offered at any hour where waiting for it is the best next step", () => {
    const state = withActions(act("live-cold", 20_000, "cool"), act("fuses", 22_000));
    expect(overnightOffer(state, midday)).toEqual({ test: "live-cold", isBest: true });
  });

  it("is free in the evening: the last act where a cold test is then worth more than going on", () => {
    const state = withActions(act("fuses", 20_000), act("live-cold", 23_000, "cool"));
    expect(overnightOffer(state, midday)).toBeUndefined();
    expect(overnightOffer(state, evening)).toEqual({ test: "live-cold", isBest: false });
    expect(overnightOffer(state, 2)).toEqual({ test: "live-cold", isBest: false });
  });

  it("is not offered where going on is worth more than a free night, nor with a cold engine", () => {
    expect(overnightOffer(withActions(act("fuses", 20_000), act("live-cold", 26_000, "cool")), evening)).toBe(
      undefined,
    );
    expect(overnightOffer(withActions(act("live-cold", 20_000), act("fuses", 22_000)), evening)).toBe(
      undefined,
    );
    expect(overnightOffer(findState([], "switch-1"), evening)).toBeUndefined();
  });

  it("is not offered while the results contradict each other", () => {
    const state = withActions(act("live-cold", 20_000, "cool"));
    const oddOneOut = { test: "fuses", outcome: "blown" };
    expect(overnightOffer({ ...state, conflict: { because: "", oddOneOut } as never }, evening)).toBe(
      undefined,
    );
  });

  it("ends in the morning, and not before the engine has cooled", () => {
    expect(morningAfter("2031-03-04T17:45:00.000Z", 17)).toBe("2031-03-05T07:00:00.000Z");
    expect(morningAfter("2031-03-04T00:15:00.000Z", 0)).toBe("2031-03-04T07:00:00.000Z");
    expect(morningAfter("2031-03-04T04:00:00.000Z", 4)).toBe("2031-03-04T10:00:00.000Z");
    // An hour east of it the shop's clock says 18 and the morning is an hour earlier.
    expect(morningAfter("2031-03-04T17:00:00.000Z", 18)).toBe("2031-03-05T06:00:00.000Z");
  });
});
