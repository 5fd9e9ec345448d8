import { type ChildProcess, spawn } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import type { IncomingMessage } from "node:http";
import { request } from "node:https";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { finish } from "../bin/lib/processes.mjs";
import { jobId } from "../demo/seed.ts";
import { freePort, Server } from "../e2e/support/server.ts";

const PROXIES = ["caddy", "haproxy"] as const;
type Proxy = (typeof PROXIES)[number];

const JOB = jobId("open-find");
const LOOKS = 300;
const LOOK_MS = 100;
let folder: string;
let publicPort: number;
let server: Server;
const running: ChildProcess[] = [];

/** The file that is handed out with the program, for this machine: other ports, a certificate that nobody vouches for. */
function fileOf(proxy: Proxy): string {
  const name = proxy === "caddy" ? "Caddyfile" : "haproxy.cfg";
  const text = readFileSync(join("docs/running", name), "utf8").replaceAll(
    "127.0.0.1:4310",
    `127.0.0.1:${server.port}`,
  );
  return proxy === "caddy"
    ? `{\n\tadmin off\n\tauto_https disable_redirects\n}\n${text.replace("ledger.example {", `https://localhost:${publicPort} {\n\ttls ${join(folder, "cert.pem")} ${join(folder, "key.pem")}`)}`
    : text
        .replace("bind :443", `bind 127.0.0.1:${publicPort}`)
        .replace("/etc/haproxy/ledger.pem", join(folder, "both.pem"));
}

async function start(proxy: Proxy): Promise<void> {
  const file = join(folder, proxy);
  writeFileSync(file, fileOf(proxy));
  const [command, ...args] =
    proxy === "caddy"
      ? ["caddy", "run", "--config", file, "--adapter", "caddyfile"]
      : ["haproxy", "-db", "-f", file];
  const child = spawn(command as string, args, { stdio: "ignore", env: { ...process.env, HOME: folder } });
  running.push(child);
  for (let look = 0; look < LOOKS; look++) {
    const { status } = await ask("/healthz").catch(() => ({ status: 0 }));
    if (status === 200) return;
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  }
  throw new Error(`${proxy} does not pass anything on`);
}

async function stop(): Promise<void> {
  for (const child of running.splice(0)) {
    child.kill("SIGKILL");
    await new Promise((resolve) => child.once("exit", resolve));
  }
}

interface Answer {
  status: number;
  headers: IncomingMessage["headers"];
  text: string;
}

function open(path: string, headers: Record<string, string>, body?: string): Promise<IncomingMessage> {
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        ...{ host: "127.0.0.1", servername: "localhost", port: publicPort, path, rejectUnauthorized: false },
        method: body === undefined ? "GET" : "POST",
        headers: { Host: `localhost:${publicPort}`, Origin: `https://localhost:${publicPort}`, ...headers },
      },
      resolve,
    );
    asked.on("error", reject);
    asked.end(body);
  });
}

async function ask(path: string, headers: Record<string, string> = {}, body?: string): Promise<Answer> {
  const answer = await open(path, headers, body);
  let text = "";
  for await (const part of answer) text += part;
  return { status: answer.statusCode ?? 0, headers: answer.headers, text };
}

const FORM = { "Content-Type": "application/x-www-form-urlencoded" };
const signIn = (password: string, from = "203.0.113.1") =>
  ask(
    "/sign-in",
    { ...FORM, "X-Forwarded-For": from },
    new URLSearchParams({ shop: "lantern-hill", name: "Tobin Askel", password }).toString(),
  );

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "proxies-"));
  publicPort = await freePort();
  await finish("openssl", [
    ...["req", "-x509", "-newkey", "ec", "-pkeyopt", "ec_paramgen_curve:prime256v1", "-nodes", "-days", "1"],
    ...["-subj", "/CN=localhost", "-keyout", join(folder, "key.pem"), "-out", join(folder, "cert.pem")],
  ]);
  writeFileSync(
    join(folder, "both.pem"),
    ["cert.pem", "key.pem"].map((name) => readFileSync(join(folder, name), "utf8")).join(""),
  );
  server = await Server.open({
    settingsFor: async () => ({ PUBLIC_URL: `https://localhost:${publicPort}`, TRUST_PROXY: "1" }),
  });
});
afterAll(async () => {
  await stop();
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

describe.each(PROXIES)("behind %s, by the file that comes with the program", (proxy) => {
  beforeAll(() => start(proxy));
  afterAll(stop);

  it("signs in, with cookies that are kept to https and to this host", async () => {
    const { status, headers } = await signIn("merrow-lamp-left");
    expect(status).toBe(302);
    expect(headers["x-warm-ledger"]).toBe("1");
    const [cookie = ""] = headers["set-cookie"] ?? [];
    expect(cookie).toMatch(/^__Host-session=.*; Path=\/; HttpOnly; Secure; SameSite=Lax/);
    expect(headers["strict-transport-security"]).toMatch(/max-age=\d{8}/);
  });

  it("refuses a post from elsewhere, whatever host it names", async () => {
    const { status } = await ask("/sign-in", { ...FORM, Origin: "https://evil.example" }, "name=x");
    expect(status).toBe(403);
  });

  it("passes on a stream as it grows", async () => {
    const { headers } = await signIn("merrow-lamp-left");
    const cookie = (headers["set-cookie"] ?? []).map((each) => each.split(";")[0]).join("; ");
    const stream = await open(`/jobs/${JOB}/grown`, { Cookie: cookie, Accept: "text/event-stream" });
    const told: string[] = [];
    stream.on("data", (part) => told.push(String(part)));
    stream.on("error", () => undefined);
    const last = () => Number(/data: (\d+)\n\n$/.exec(told.join(""))?.[1] ?? 0);
    await expect.poll(last).toBeGreaterThan(0);
    const before = last();
    const entry = {
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      stage: "find",
      kind: "note",
      text: "seen",
    };
    const booked = await ask(
      `/jobs/${JOB}/entries`,
      { Cookie: cookie, "Content-Type": "application/json" },
      JSON.stringify({ entries: [entry] }),
    );
    expect(booked.status).toBe(200);
    await expect.poll(last).toBe(before + 1);
    stream.destroy();
  });

  it("counts wrong tries by where they come from, and not by what a caller says of it", async () => {
    const answers: string[] = [];
    for (let n = 0; n < 12; n++) answers.push((await signIn("not it", `198.51.100.${n}`)).text);
    expect(answers[0]).toMatch(/don&#x27;t belong together/);
    expect(answers.at(-1)).not.toMatch(/don&#x27;t belong together/);
    await server.scratch.owner.sequelize.query("DELETE FROM tries");
  });
});
