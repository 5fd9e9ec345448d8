import { describe, expect, it } from "vitest";
import { book } from "./book.fixture.ts";
import type { Entry } from "./entry.ts";
import { onceFor } from "./once-for.ts";

describe("onceFor", () => {
  const counted = () => {
    let times = 0;
    const ids = onceFor((entries) => {
      times++;
      return entries.map(({ id }) => id);
    });
    return { ids, times: () => times };
  };

  it("works a list out once, however many ask", () => {
    const { ids, times } = counted();
    const entries = book([{}, {}]);
    expect(ids(entries)).toBe(ids(entries));
    expect(times()).toBe(1);
  });

  it("works a list out anew that has grown, been cut, or ends in another line", () => {
    const { ids, times } = counted();
    const entries = book([{}, {}]);
    ids(entries);
    entries.push({ ...(entries[1] as Entry), id: "e3" });
    expect(ids(entries)).toEqual(["e1", "e2", "e3"]);
    entries.pop();
    expect(ids(entries)).toEqual(["e1", "e2"]);
    entries[1] = { ...(entries[1] as Entry), id: "other" };
    expect(ids(entries)).toEqual(["e1", "other"]);
    expect(times()).toBe(4);
  });

  it("keeps two books apart, and two questions of one book", () => {
    const [first, second] = [counted(), counted()];
    const [one, two] = [book([{}]), book([{}, {}])];
    expect(first.ids(one)).toHaveLength(1);
    expect(first.ids(two)).toHaveLength(2);
    expect(first.ids(one)).toHaveLength(1);
    expect(second.ids(one)).toEqual(first.ids(one));
    expect([first.times(), second.times()]).toEqual([2, 1]);
  });
});
