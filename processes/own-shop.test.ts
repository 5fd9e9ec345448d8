import { spawn } from "node:child_process";
import { randomBytes } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Sequelize } from "sequelize";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { readSettings } from "../bin/lib/settings.mjs";
import { appRole, appUrl } from "../server/database/addresses.ts";
import { backupRole } from "../server/database/backup-role.ts";
import { findShopBySlug, openDatabase } from "../server/database/connection.ts";
import { signIn } from "../server/subjects/people/sign-in.ts";

const tag = randomBytes(4).toString("hex");
const named = (name: string) => {
  const url = new URL(process.env.DATABASE_URL ?? "");
  url.pathname = `/${name}`;
  return url.toString();
};
const NAMES = [`own_${tag}`, `elsewhere_${tag}`] as const;
const [DATABASE_URL, ELSEWHERE] = NAMES.map(named) as [string, string];
const LEAD_PASSWORD = "moss grows on lamps";

let root: Sequelize;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "own-shop-"));
  root = new Sequelize(process.env.DATABASE_URL ?? "", { logging: false });
  for (const name of NAMES) await root.query(`CREATE DATABASE ${name}`);
});
afterAll(async () => {
  for (const name of NAMES) {
    await root.query(`DROP DATABASE ${name} WITH (FORCE)`);
    for (const role of [appRole(named(name)), backupRole(named(name))])
      await root.query(`DROP ROLE IF EXISTS "${role}"`);
  }
  rmSync(folder, { recursive: true });
  await root.close();
});

/** The command as a script calls it: nobody sits there to be asked. */
function run(command: string, args: readonly string[] = [], environment: Record<string, string> = {}) {
  return new Promise<{ code: number; said: string }>((resolve) => {
    const child = spawn(process.execPath, [command, ...args], {
      env: { ...process.env, DATABASE_URL, LEAD_PIN: "7395", LEAD_PASSWORD, ...environment },
      stdio: ["ignore", "pipe", "pipe"],
    });
    let said = "";
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (part) => (said += part));
    child.on("close", (code) => resolve({ code: code ?? 1, said }));
  });
}

const shop = (args: readonly string[], environment: Record<string, string> = {}) =>
  run("bin/shop.mjs", ["--only-make", ...args], environment);

const FLAGS = [
  ...["--name", "Pell Pass Cooling", "--short-name", `pell-${tag}`, "--time-zone", "Europe/Dublin"],
  ...["--units", "us", "--currency", "usd", "--lead", "Runa Tove"],
];

describe("a shop of one's own", () => {
  it("says what is missing or wrong, and makes nothing of it", async () => {
    expect(await shop(["--name", "Pell"])).toMatchObject({
      code: 1,
      said: expect.stringMatching(/--lead is missing/),
    });
    expect((await shop(FLAGS, { LEAD_PIN: "1234" })).said).toMatch(/A PIN that runs/);
    expect((await shop(["--colour", "red"])).said).toMatch(/Unknown option '--colour'/);
  });

  it("is made once, with its lead and nothing else, and found again", async () => {
    expect(await shop(FLAGS)).toMatchObject({
      code: 0,
      said: expect.stringMatching(/Pell Pass Cooling is set up/),
    });
    const database = openDatabase(appUrl({ DATABASE_URL }));
    const made = await findShopBySlug(database, `pell-${tag}`);
    expect(made).toMatchObject({
      name: "Pell Pass Cooling",
      units: "us",
      timeZone: "Europe/Dublin",
      currency: "USD",
    });
    const entered = await signIn(
      database,
      { name: "Runa Tove", password: LEAD_PASSWORD },
      { shopId: made?.id ?? "", source: "192.0.2.1" },
    );
    expect(entered).toHaveProperty("token");
    expect(await shop([])).toMatchObject({ code: 0 });
    expect(await run("bin/verify.mjs")).toEqual({
      code: 0,
      said: expect.stringMatching(/Pell Pass Cooling: 0 books, 0 lines, unbroken\./),
    });
    expect(await run("bin/verify.mjs", ["--job", "1", "--line", "3f2a 91c0 77de 04b1"])).toEqual({
      code: 1,
      said: expect.stringMatching(/No line of job 1 bears that hash/),
    });
    await database.sequelize.close();
    const owner = openDatabase(DATABASE_URL, { isPatient: true });
    const [counts] = await owner.sequelize.query(
      "SELECT (SELECT count(*)::int FROM shops) AS shops, (SELECT count(*)::int FROM people) AS people, (SELECT count(*)::int FROM vehicles) AS vehicles",
    );
    expect(counts).toEqual([{ shops: 1, people: 1, vehicles: 0 }]);
    await owner.sequelize.close();
  });
});

describe("a shop that moves", () => {
  it("is written into one file by its short name, and read in elsewhere with its lead", async () => {
    const file = join(folder, "shop.zip");
    expect(await run("bin/shop-file.mjs", [file, "--of", `pell-${tag}`])).toEqual({
      code: 0,
      said: expect.stringMatching(/Pell Pass Cooling, 0 jobs, 0 lines, 0 logs, 0 pictures\./),
    });
    expect((await run("bin/shop-file.mjs", [file, "--of", `pell-${tag}`])).said).toMatch(/is there already/);
    expect((await run("bin/shop-file.mjs", [`${file}2`, "--of", "nobodys"])).said).toMatch(/No shop here/);
    const there = { DATABASE_URL: ELSEWHERE };
    expect((await shop(["--from", `${file}3`], there)).said).toMatch(/There is no/);
    expect((await shop(["--from", file, "--lead", "Nobody"], there)).said).toMatch(/leads nothing in it/);
    expect(await shop(["--from", file], there)).toEqual({
      code: 0,
      said: expect.stringMatching(/Pell Pass Cooling is set up/),
    });
    expect((await shop(["--from", file], there)).said).toMatch(/in this database already/);
    const database = openDatabase(appUrl(there));
    const moved = await findShopBySlug(database, `pell-${tag}`);
    expect(
      await signIn(
        database,
        { name: "Runa Tove", password: LEAD_PASSWORD },
        { shopId: moved?.id ?? "", source: "192.0.2.1" },
      ),
    ).toHaveProperty("token");
    await database.sequelize.close();
  });
});

describe("where it listens", () => {
  it("is on this machine alone until somebody says otherwise", () => {
    expect(readSettings({})).toEqual({
      ...{ host: "127.0.0.1", port: 4310, hops: 0, publicUrl: undefined },
      ...{ processes: 1, finishS: 5, metricsPort: undefined },
    });
    expect(readSettings({ PUBLIC_URL: "https://ledger.example", TRUST_PROXY: "2" })).toMatchObject({
      hops: 2,
      publicUrl: new URL("https://ledger.example"),
    });
  });

  it.each([
    { PORT: "0" },
    { PROCESSES: "0" },
    { PROCESSES: "many" },
    { METRICS_PORT: "here" },
    { PORT: "eighty" },
    { PORT: "70000" },
    { TRUST_PROXY: "yes" },
    { TRUST_PROXY: "-1" },
    { HOST: "not a host" },
    { PUBLIC_URL: "ledger.example" },
    { PUBLIC_URL: "https://ledger.example/shop" },
    { PUBLIC_URL: "ftp://ledger.example" },
  ])("is refused in a sentence with %j", (environment) =>
    expect(() => readSettings(environment)).toThrow(/(?:is|are)\.?|behind it\./),
  );
});
