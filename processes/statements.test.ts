import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { freePort, Server } from "../e2e/support/server.ts";
import { newEntry } from "../server/testing/small-shop.ts";

const JOB = jobId("open-find");

let server: Server;
let cookie: string;
let metricsPort: number;
beforeAll(async () => {
  metricsPort = await freePort();
  server = await Server.open({ settingsFor: async () => ({ METRICS_PORT: String(metricsPort) }) });
  cookie = await server.cookiesOf("tobin");
});
afterAll(() => server.close());

/** All statements that requests have asked so far, by the figures that whoever runs it has too. */
async function asked(): Promise<number> {
  const told = await (await fetch(`http://127.0.0.1:${metricsPort}/metrics`)).text();
  const sums = [...told.matchAll(/^warm_ledger_request_statements_sum\{[^}]*\} (\d+)/gm)];
  return sums.reduce((sum, [, figure]) => sum + Number(figure), 0);
}

/** How many statements an answer took, once it has warmed. */
async function statementsOf(ask: () => Promise<Response>): Promise<number> {
  await (await ask()).text();
  const before = await asked();
  const answer = await ask();
  expect(answer.status).toBeLessThan(300);
  await answer.text();
  return (await asked()) - before;
}

const page = (path: string) => () =>
  fetch(`${server.address}${path}`, { headers: { Cookie: cookie }, redirect: "manual" });

describe("how many statements it takes", () => {
  it.each([
    ["Find's page", `/jobs/${JOB}/find`, 16],
    ["a vehicle's page", "", 12],
    ["what is read again after a tick", `/jobs/${JOB}/find.data?_routes=job%2Froute`, 12],
  ])("%s", async (_, path, most) => {
    const [[vehicle]] = (await server.scratch.owner.sequelize.query(
      `SELECT vehicle_id AS id FROM jobs WHERE id = '${JOB}'`,
    )) as unknown as [[{ id: string }]];
    const found = await statementsOf(page(path || `/vehicles/${vehicle.id}`));
    expect(found).toBeLessThanOrEqual(most);
  });

  it("a tick", async () => {
    const tick = () =>
      fetch(`${server.address}/jobs/${JOB}/entries`, {
        method: "POST",
        headers: { Cookie: cookie, Origin: server.address, "Content-Type": "application/json" },
        body: JSON.stringify({
          entries: [{ ...newEntry({ kind: "note", text: "ticked" }), id: randomUUID() }],
        }),
      });
    const found = await statementsOf(tick);
    expect(found).toBeLessThanOrEqual(10);
  });
});

describe("what is asked once a request", () => {
  it("is asked again behind a form that was posted without scripts: it may have changed who one is", async () => {
    const lead = await server.cookiesOf("maren");
    const posted = await fetch(`${server.address}/shop`, {
      method: "POST",
      headers: { Cookie: lead, Origin: server.address, "Content-Type": "application/x-www-form-urlencoded" },
      body: "what=currency&currency=SEK",
    });
    const shown = await posted.text();
    expect(posted.status).toBe(200);
    expect(shown).toMatch(/Figures of money are in (<!-- -->)?SEK/);
    // Whoever the page is drawn for is in its data, with the shop's currency: nothing there is from before.
    expect(shown).not.toContain("EUR");
  });
});
