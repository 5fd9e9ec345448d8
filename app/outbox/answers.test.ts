import { describe, expect, it } from "vitest";
import { answerOf } from "./send.ts";

const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { "Content-Type": "application/json; charset=utf-8" },
  });
const page = (status: number) =>
  new Response("<h1>hello</h1>", { status, headers: { "Content-Type": "text/html" } });
const refused = { refused: { message: "is back already", fields: {} } };

describe("what an answer means", () => {
  it("is booked only where our own JSON names the entry with its number", async () => {
    expect(await answerOf(json(200, { lastSeq: 7, booked: ["a"] }), "a")).toBe("booked");
    for (const body of [
      {},
      { lastSeq: 7 },
      { booked: ["a"] },
      { lastSeq: "7", booked: ["a"] },
      { lastSeq: 7, booked: ["b"] },
      { ok: true },
      [],
      null,
      "ok",
    ])
      expect(await answerOf(json(200, body), "a"), JSON.stringify(body)).toBe("unreachable");
    expect(await answerOf(json(201, { lastSeq: 7, booked: ["a"] }), "a")).toBe("unreachable");
  });

  it.each([200, 203, 302, 403, 404, 408, 413, 429, 500, 502, 503, 504])(
    "is no answer of ours as a page that says %d",
    async (status) => {
      expect(await answerOf(page(status), "a")).toBe("unreachable");
    },
  );

  it.each([200, 302, 408, 429, 502])("is no answer of ours as an empty %d", async (status) => {
    expect(await answerOf(new Response(null, { status }), "a")).toBe("unreachable");
    expect(await answerOf(json(404, { message: "no route" }), "a")).toBe("unreachable");
  });

  it("says into which job it went, where that is another", async () => {
    const said = (bookedIn: unknown) => json(200, { lastSeq: 0, booked: ["a"], bookedIn });
    expect(await answerOf(said("b"), "a")).toEqual({ bookedIn: "b" });
    expect(await answerOf(said("a"), "a")).toBe("booked");
    expect(await answerOf(json(200, { lastSeq: 0, booked: [], bookedIn: "b" }), "a")).toBe("unreachable");
  });

  it("is a refusal only in our own words", async () => {
    expect(await answerOf(json(409, refused), "a")).toEqual({ refused: "is back already" });
    expect(
      await answerOf(json(422, { refused: { message: "", fields: { text: "At most." } } }), "a"),
    ).toEqual({ refused: "At most." });
    expect(await answerOf(json(403, { message: "blocked" }), "a")).toBe("unreachable");
    expect(
      await answerOf(
        new Response("{", { status: 409, headers: { "Content-Type": "application/json" } }),
        "a",
      ),
    ).toBe("unreachable");
  });

  it("is a later, and no no, where our own words say so", async () => {
    const soon = json(503, refused);
    soon.headers.set("Retry-After", "5");
    expect(await answerOf(soon, "a")).toEqual({ later: "is back already", againInS: 5 });
    for (const status of [429, 503])
      expect(await answerOf(json(status, refused), "a")).toEqual({ later: "is back already", againInS: 10 });
    for (const status of [429, 503])
      expect(await answerOf(json(status, { message: "busy" }), "a")).toBe("unreachable");
    expect(await answerOf(json(503, { ...refused, isDown: true }), "a")).toBe("unreachable");
  });

  it("tells our own fault and an ended session from no server", async () => {
    expect(await answerOf(json(500, { message: "A fault of ours.", reference: "ab12" }), "a")).toEqual({
      stuck: "A fault of ours.",
    });
    expect(await answerOf(json(500, { message: "other" }), "a")).toBe("unreachable");
    expect(await answerOf(json(401, { isSignedOut: true }), "a")).toBe("signed-out");
    expect(await answerOf(json(401, {}), "a")).toBe("unreachable");
  });
});
