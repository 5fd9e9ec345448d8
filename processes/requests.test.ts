import type { AddressInfo } from "node:net";
import express, { type Request, type Response } from "express";
import { register } from "prom-client";
import { afterEach, describe, expect, it } from "vitest";
import { measured } from "../bin/serving/measured.mjs";

afterEach(() => register.clear());

const BUILD = { routes: { jobs: { path: "jobs/:jobId" }, device: { path: "this-device/:token" }, root: {} } };

/** What is written of one request to a server that answers as `answer` does. */
async function lineOf(path: string, answer: (request: Request, response: Response) => void, cut = false) {
  register.clear();
  const lines: Record<string, unknown>[] = [];
  const app = express();
  app.use(measured(BUILD, (line: Record<string, unknown>) => lines.push(line)));
  app.use(answer);
  const server = app.listen(0, "127.0.0.1");
  await new Promise((resolve) => server.once("listening", resolve));
  const { port } = server.address() as AddressInfo;
  const given = cut ? { signal: AbortSignal.timeout(100) } : {};
  await fetch(`http://127.0.0.1:${port}${path}`, given).then(
    (said) => said.text(),
    () => undefined,
  );
  await expect.poll(() => lines.length + Number(path.startsWith("/assets"))).toBe(1);
  server.closeAllConnections();
  server.close();
  return lines[0];
}

describe("the log's line of a request", () => {
  it("says what came of it, how long it took, who asked and under which reference", async () => {
    const line = await lineOf("/jobs/1/fill?secret=1", (_request, response) => {
      Object.assign(response.locals.seen, { shop: "s", person: "p", reference: "0f0f" });
      response.status(500).send("a fault");
    });
    expect(line).toEqual({
      ...{ method: "GET", path: "/jobs/1/fill", status: 500, ms: expect.any(Number) },
      ...{ shop: "s", person: "p", reference: "0f0f" },
    });
  });

  it.each([
    ["/this-device/0123.abc", "/this-device/…"],
    ["/calendar/0123.abc.ics", "/calendar/…"],
  ])("keeps the secret of %s to itself", async (path, written) => {
    expect(await lineOf(path, (_request, response) => response.send("yes"))).toMatchObject({ path: written });
  });

  it("says so where nobody waited for the answer, and nothing of assets", async () => {
    expect(await lineOf("/jobs/1", () => undefined, true)).toMatchObject({ status: "cut off" });
    expect(await lineOf("/assets/a.js", (_request, response) => response.send("a"))).toBeUndefined();
  });

  it("counts an address that nobody has made under other, whatever it is called", async () => {
    await lineOf("/jobs/9f/fill.data", (_request, response) => response.send("yes"));
    const ours = await register.metrics();
    expect(ours).toMatch(/warm_ledger_request_seconds_count\{area="jobs",kind="data",status="200"\} 1/);
    await lineOf("/nobodys/x1", (_request, response) => response.status(404).send("no"));
    expect(await register.metrics()).toMatch(/\{area="other",kind="page",status="404"\} 1/);
  });
});
