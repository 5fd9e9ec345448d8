import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { Server } from "../e2e/support/server.ts";
import { newEntry } from "../server/testing/small-shop.ts";

let server: Server;
let cookie: string;

const AT_ONCE = 8;

/** A line is answered as booked, or its sending fails: whether it is in the book is then for the book to say. */
async function book(id: string): Promise<"booked" | "failed"> {
  const body = JSON.stringify({ entries: [{ ...newEntry({ kind: "note", text: "as it stops" }), id }] });
  try {
    const answer = await fetch(`${server.address}/jobs/${jobId("open-find")}/entries`, {
      method: "POST",
      headers: { Cookie: cookie, Origin: server.address, "Content-Type": "application/json" },
      body,
    });
    const { booked = [] } = (await answer.json()) as { booked?: string[] };
    return booked.includes(id) ? "booked" : "failed";
  } catch {
    return "failed";
  }
}

describe.each([1, 2])("the server, in %i processes,", (processes) => {
  beforeAll(async () => {
    // However slow the machine, nothing is cut off here for being slow.
    server = await Server.open({
      settingsFor: async () => ({ FINISH_S: "60", PROCESSES: String(processes) }),
    });
    cookie = await server.cookiesOf("tobin");
  });
  afterAll(() => server.close());

  it("says that it is there, and that it can work", async () => {
    for (const [path, words] of [
      ["/healthz", "here"],
      ["/readyz", "ready"],
    ]) {
      const answer = await fetch(`${server.address}${path}`);
      expect([answer.status, (await answer.text()).trim()]).toEqual([200, words]);
    }
  });

  it("keeps a connection open for longer than a browser or a proxy goes on using it", async () => {
    const answer = await fetch(`${server.address}/healthz`);
    const [, seconds] = /timeout=(\d+)/.exec(answer.headers.get("keep-alive") ?? "") ?? [];
    expect(Number(seconds)).toBeGreaterThan(60);
  });

  it("finishes what is under way when it is told to stop, streams aside", async () => {
    const stream = fetch(`${server.address}/jobs/${jobId("open-find")}/grown`, {
      headers: { Cookie: cookie, Accept: "text/event-stream" },
    }).then((answer) => answer.text().catch(() => "ended"));
    const answers: string[] = [];
    const unanswered: string[] = [];
    let isOver = false;
    const booker = async () => {
      while (!isOver) {
        const id = randomUUID();
        const answer = await book(id);
        answers.push(answer);
        if (answer === "booked") continue;
        unanswered.push(id);
        return;
      }
    };
    const bookers = Array.from({ length: AT_ONCE }, booker);
    const booked = () => answers.filter((answer) => answer === "booked").length;
    await expect.poll(booked).toBeGreaterThan(AT_ONCE);
    await server.stop();
    isOver = true;
    await Promise.all(bookers);
    await stream;
    expect(booked()).toBeGreaterThan(AT_ONCE);
    // A browser may send on a line that is being closed as idle: that fails, and was never begun.
    const [begun] = await server.scratch.owner.sequelize.query(
      "SELECT id FROM entries WHERE id::text = ANY($1)",
      {
        bind: [unanswered],
      },
    );
    expect(begun).toEqual([]);
    await server.start();
  });
});
