import { describe, expect, it, vi } from "vitest";
import { ConnectionState } from "./connection.ts";

describe("what the page knows of the server", () => {
  it("is cut off since the first answer that failed, until one comes", () => {
    const state = new ConnectionState();
    const told = vi.fn();
    state.subscribe(told);
    state.lost("10:42");
    state.showing("10:40");
    state.lost("10:43");
    expect(state.snapshot()).toEqual({ cutOffSince: "10:42", shownFrom: "10:40", isSignedOut: false });
    expect(told).toHaveBeenCalledTimes(2);
    state.found();
    expect(state.snapshot()).toEqual({ isSignedOut: false });
  });

  it("tells an ended session from no server", () => {
    const state = new ConnectionState();
    state.lost("10:42");
    state.signedOut();
    expect(state.snapshot()).toEqual({ isSignedOut: true });
    state.lost("10:50");
    expect(state.snapshot()).toEqual({ cutOffSince: "10:50", isSignedOut: true });
  });

  it("names the server's own fault", () => {
    const state = new ConnectionState();
    state.lost("10:42", { reference: "ab12" });
    expect(state.snapshot().reference).toBe("ab12");
    state.lost("10:43");
    expect(state.snapshot().reference).toBeUndefined();
  });
});
