import { type ChildProcess, spawn } from "node:child_process";
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout } from "node:timers/promises";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { clusterUser, freePort } from "../bin/lib/cluster.mjs";
import { ensureDebian, findPostgres, findProgram } from "../bin/lib/packages.mjs";
import { finish } from "../bin/lib/processes.mjs";
import { appRole, appUrl } from "../server/database/addresses.ts";
import { type AtDesk, atDesk, openDatabase } from "../server/database/connection.ts";
import { migrate } from "../server/database/migrate.ts";
import { readBook } from "../server/entries/read-books.ts";
import { smallShop } from "../server/testing/small-shop.ts";
import { verifyShop } from "../server/verify/verify-shop.ts";

const OWNER = "ledger_owner";
const READY_TRIES = 200;

let folder: string;
let port: number;
let programs: string;
let pgbackrest: string;
let server: ChildProcess | undefined;
const user = clusterUser() as { uid?: number; gid?: number };

/** As the user that the database runs as; its own, where this isn't root. */
const asDatabase = (program: string, ...args: string[]) =>
  finish(program, args, { ...user, cwd: folder, env: { ...process.env, HOME: folder } } as object);

const place = (name: string) => join(folder, name);

/** The file that is handed out with the program, with this test's own folders. */
function configure(): void {
  const text = readFileSync("docs/running/pgbackrest.conf", "utf8")
    .replaceAll("/var/lib/pgbackrest", place("repository"))
    .replaceAll("/var/log/pgbackrest", place("log"))
    .replaceAll("/tmp/pgbackrest", place("lock"))
    .replace("/var/lib/postgresql/15/main", place("data"))
    .replace("/var/run/postgresql", folder)
    .replace("pg1-port=5432", `pg1-port=${port}`)
    .replace("pg1-user=postgres", `pg1-user=${OWNER}`);
  writeFileSync(place("pgbackrest.conf"), text);
  chmodSync(place("pgbackrest.conf"), 0o644);
}

const backrest = (...args: string[]) =>
  asDatabase(pgbackrest, `--config=${place("pgbackrest.conf")}`, "--stanza=ledger", ...args);

async function start(): Promise<void> {
  const push = `${pgbackrest} --config=${place("pgbackrest.conf")} --stanza=ledger archive-push %p`;
  const settings = [`port=${port}`, "listen_addresses=127.0.0.1", `unix_socket_directories=${folder}`];
  settings.push("archive_mode=on", `archive_command=${push}`, "fsync=off");
  server = spawn(
    join(programs, "postgres"),
    ["-D", place("data"), ...settings.flatMap((each) => ["-c", each])],
    {
      ...user,
      cwd: folder,
      stdio: "ignore",
    },
  );
  for (let look = 0; look < READY_TRIES; look++) {
    const { code } = await finish(join(programs, "pg_isready"), ["-h", "127.0.0.1", "-p", String(port)], {
      allowFail: true,
    });
    // While it brings itself up to the moment it answers, and takes nothing yet.
    if (code === 0 && !existsSync(join(place("data"), "recovery.signal"))) return;
    await setTimeout(100);
  }
  throw new Error("The database does not come up.");
}

async function stop(): Promise<void> {
  const running = server;
  if (!running || running.exitCode !== null) return;
  await new Promise((resolve) => {
    running.once("exit", resolve);
    running.kill("SIGINT");
  });
}

beforeAll(async () => {
  programs = await ensureDebian("PostgreSQL", ["postgresql"], findPostgres);
  pgbackrest = await ensureDebian("pgBackRest", ["pgbackrest"], () => findProgram("pgbackrest"));
  folder = mkdtempSync(join(tmpdir(), "point-in-time-"));
  port = await freePort();
  for (const each of ["", "repository", "log", "lock"]) {
    mkdirSync(place(each), { recursive: true, mode: 0o700 });
    if (user.uid !== undefined) chownSync(place(each), user.uid, user.gid ?? user.uid);
  }
  configure();
  await asDatabase(
    join(programs, "initdb"),
    "-D",
    place("data"),
    "-U",
    OWNER,
    "-E",
    "UTF8",
    "--locale=C.UTF-8",
    "-A",
    "trust",
    "--no-sync",
  );
  await start();
});
afterAll(async () => {
  await stop();
  rmSync(folder, { recursive: true, force: true });
});

const open = () => {
  const ownerUrl = `postgres://${OWNER}:x@127.0.0.1:${port}/postgres`;
  const owner = openDatabase(ownerUrl, { isPatient: true });
  const database = openDatabase(appUrl({ DATABASE_URL: ownerUrl }));
  const told = openDatabase(ownerUrl, { isPatient: true, inRole: appRole(ownerUrl) });
  const close = () => Promise.all([owner, database, told].map(({ sequelize }) => sequelize.close()));
  return { ownerUrl, owner, database, told, close };
};

describe("a database with backups to any minute", () => {
  it("comes back as it stood just before somebody emptied it, every line that was booked till then with it", async () => {
    const before = open();
    await migrate(before.ownerUrl);
    await backrest("stanza-create");
    const shop = await smallShop(before, "Minute");
    await shop.book({ kind: "note", text: "in the backup" });
    await backrest("--type=full", "backup");
    // A backup's end is told in whole seconds.
    await setTimeout(1100);
    await shop.book({ kind: "note", text: "after the backup" });
    const [[now]] = (await before.owner.sequelize.query(
      "SELECT clock_timestamp()::text AS now",
    )) as unknown as [{ now: string }[]];
    await setTimeout(50);
    await before.owner.sequelize.query("DROP TABLE entries CASCADE");
    // What is written is on its way to the backups no later than the next file is begun.
    await before.owner.sequelize.query("SELECT pg_switch_wal()");
    await before.close();
    await stop();
    await backrest("--delta", "--type=time", `--target=${now?.now}`, "--target-action=promote", "restore");
    await start();
    const after = open();
    try {
      const at: AtDesk = (work) =>
        atDesk(after.database, { shopId: shop.shopId, personId: shop.people.lead }, work);
      const lines = await at((desk) => readBook(desk, shop.jobId));
      expect(lines.map(({ text }) => text)).toEqual(["in the backup", "after the backup"]);
      expect(await verifyShop(at, { withFiles: true })).toMatchObject({ lines: 2, broken: [] });
    } finally {
      await after.close();
    }
  });
});
