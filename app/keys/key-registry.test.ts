import { describe, expect, it } from "vitest";
import { KeyRegistry, type KeyWay, type Press } from "./key-registry.ts";

const card = { contains: (focus: unknown) => focus === "in the card" } as unknown as HTMLElement;
const IN_CARD = "in the card" as unknown as Element;
const NOWHERE = null;

function board() {
  const done: string[] = [];
  const doing = (key: string, what = key) => ({ key, what, act: () => done.push(what) });
  const registry = new KeyRegistry();
  registry.add({ name: "everywhere", keys: [doing("n", "next"), doing("/", "line"), doing("s", "screen")] });
  registry.add({ name: "test", keys: [doing("a", "ran"), doing("s", "nothing")], within: () => card });
  registry.setPlaces([doing("t", "Today"), doing("s", "Shop")]);
  let now = 0;
  const tick = (ms: number) => {
    now += ms;
    return now;
  };
  const press = (
    key: string,
    more: Partial<Press> = {},
    way: KeyWay = "bare",
    focus: Element | null = NOWHERE,
  ) =>
    registry.press(
      { key, code: "", isAlt: false, isOther: false, isRepeat: false, ...more },
      way,
      focus,
      tick(100),
    );
  return { registry, done, press, wait: tick };
}

describe("single keys", () => {
  it("act on the whole screen, and in a part only while focus is there", () => {
    const { done, press } = board();
    press("n");
    expect(press("a")).toBe(false);
    press("a", {}, "bare", IN_CARD);
    expect(done).toEqual(["next", "ran"]);
  });

  it("are the part's own first where focus is", () => {
    const { done, press } = board();
    press("s");
    press("s", {}, "bare", IN_CARD);
    expect(done).toEqual(["screen", "nothing"]);
  });

  it("do nothing while they repeat, or with another key held", () => {
    const { done, press } = board();
    expect(press("n", { isRepeat: true })).toBe(false);
    expect(press("n", { isOther: true })).toBe(false);
    expect(press("n", { isAlt: true })).toBe(false);
    expect(done).toEqual([]);
  });

  it("after g go to a place or do nothing at all, and act again later", () => {
    const { done, press, wait } = board();
    press("g", {}, "bare", IN_CARD);
    expect(press("a", {}, "bare", IN_CARD)).toBe(true);
    press("g", {}, "bare", IN_CARD);
    press("s", {}, "bare", IN_CARD);
    press("g");
    press("g");
    press("a", {}, "bare", IN_CARD);
    press("g");
    wait(2000);
    press("s");
    expect(done).toEqual(["Shop", "ran", "screen"]);
  });

  it("can be moved to Alt, where the key's place speaks, or turned off", () => {
    const { done, press } = board();
    expect(press("n", {}, "alt")).toBe(false);
    press("˜", { isAlt: true, code: "KeyN" }, "alt");
    press("÷", { isAlt: true, code: "Slash" }, "alt");
    expect(press("n", {}, "off")).toBe(false);
    expect(press("n", { isAlt: true, code: "KeyN" }, "off")).toBe(false);
    expect(done).toEqual(["next", "line"]);
  });

  it("are gone with their part, and listed while it is there", () => {
    const { registry, press } = board();
    const remove = registry.add({ name: "late", keys: [{ key: "x", what: "late", act: () => undefined }] });
    expect(registry.listed().map(({ name }) => name)).toEqual(["everywhere", "late", "test"]);
    remove();
    expect(press("x")).toBe(false);
    expect(registry.listed().map(({ name }) => name)).toEqual(["everywhere", "test"]);
  });
});
