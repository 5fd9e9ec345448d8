import { randomBytes } from "node:crypto";
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statfsSync,
  writeFileSync,
} from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ensureDebian, findPostgres } from "./packages.mjs";
import { LOCAL } from "./paths.mjs";
import { atEnd, finish, isStopping } from "./processes.mjs";
import { say, Trouble } from "./say.mjs";
import { keepRunning } from "./watched.mjs";

const OWNER = "warm_ledger_owner";
const NEEDED_BYTES = 300e6;
const START_TRIES = 100;
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** initdb and the server refuse to run as root: as root they run as the `postgres` user that Debian's package makes. */
export function clusterUser() {
  if (process.getuid?.() !== 0) return {};
  const line = readFileSync("/etc/passwd", "utf8")
    .split("\n")
    .find((row) => row.startsWith("postgres:"));
  if (!line)
    throw new Trouble(
      "The database must not run as root and there is no user “postgres”. Type: sudo apt-get install -y postgresql",
    );
  const [, , uid, gid] = line.split(":");
  return { uid: Number(uid), gid: Number(gid) };
}

/** Where the cluster lives: beside the project, unless the database's user can't get there (a home closed to others). */
async function clusterHome(user) {
  mkdirSync(LOCAL, { recursive: true });
  if (user.uid === undefined) return join(LOCAL, "cluster");
  const inside = join(LOCAL, "cluster");
  mkdirSync(inside, { recursive: true, mode: 0o700 });
  chownSync(inside, user.uid, user.gid);
  const reached = await finish("test", ["-w", inside], { ...user, allowFail: true });
  if (reached.code === 0) return inside;
  const outside = join(tmpdir(), `warm-ledger-${Buffer.from(LOCAL).toString("base64url").slice(-24)}`);
  mkdirSync(outside, { recursive: true, mode: 0o700 });
  chownSync(outside, user.uid, user.gid);
  return outside;
}

export function freePort(wanted = 0) {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once("error", reject);
    server.listen(wanted, "127.0.0.1", () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

function checkDisk() {
  const { bavail, bsize } = statfsSync(LOCAL);
  if (bavail * bsize < NEEDED_BYTES) {
    throw new Trouble(
      `The disk that holds ${LOCAL} has ${Math.round((bavail * bsize) / 1e6)} MB left; the database wants 300 MB. Make room and start again.`,
    );
  }
}

const isAlive = (pid) => {
  try {
    process.kill(pid, 0);
    return readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("postgres");
  } catch {
    return false;
  }
};

/** A server that a killed run left behind: stopped if it still runs, its lock taken away if it doesn't. */
async function healLock(data) {
  const lock = join(data, "postmaster.pid");
  if (!existsSync(lock)) return;
  const pid = Number(readFileSync(lock, "utf8").split("\n")[0]);
  if (pid > 0 && isAlive(pid)) {
    say("Database: ending the server that an earlier run left behind");
    process.kill(pid, "SIGINT");
    for (let i = 0; i < START_TRIES && existsSync(lock); i++) await wait(100);
    if (existsSync(lock))
      throw new Trouble(`An earlier database server (process ${pid}) does not stop. Type: kill -QUIT ${pid}`);
  }
  rmSync(lock, { force: true });
}

/** Made whole beside its place and then moved there, so that half a cluster is never taken for one. */
async function makeCluster(programs, home, user) {
  say("Database: making a cluster (some seconds)");
  const password = randomBytes(24).toString("base64url");
  const making = join(home, "making");
  const secret = join(home, "password");
  rmSync(making, { recursive: true, force: true });
  writeFileSync(secret, password, { mode: 0o600 });
  if (user.uid !== undefined) chownSync(secret, user.uid, user.gid);
  const args = [
    "-D",
    making,
    "-U",
    OWNER,
    "-E",
    "UTF8",
    "--locale=C.UTF-8",
    "-A",
    "scram-sha-256",
    `--pwfile=${secret}`,
    "--no-sync",
  ];
  await finish(join(programs, "initdb"), args, { ...user, cwd: home });
  renameSync(making, join(home, "data"));
}

/** Only one command at a time may run a cluster of this folder. */
function takeFolder(home) {
  const lock = join(home, "in-use");
  if (existsSync(lock)) {
    const pid = Number(readFileSync(lock, "utf8"));
    try {
      process.kill(pid, 0);
      if (pid !== process.pid) {
        throw new Trouble(
          `Another command of this project is running here (process ${pid}). Stop it with Ctrl-C there, or type: kill ${pid}`,
        );
      }
    } catch (error) {
      if (error instanceof Trouble) throw error;
    }
  }
  writeFileSync(lock, String(process.pid));
  atEnd(() => rmSync(lock, { force: true }));
}

/**
 * A PostgreSQL of the project's own on loopback and a free port; answers with its owner's address for database
 * `postgres`. `name` keeps clusters of different use apart.
 */
export async function startCluster(name, { fast = false } = {}) {
  const programs = await ensureDebian("PostgreSQL", ["postgresql"], findPostgres);
  // For whatever this command starts: backups are the work of PostgreSQL's own programs.
  process.env.PG_PROGRAMS ??= programs;
  const user = clusterUser();
  const home = join(await clusterHome(user), name);
  mkdirSync(home, { recursive: true, mode: 0o700 });
  chmodSync(home, 0o700);
  if (user.uid !== undefined) chownSync(home, user.uid, user.gid);
  takeFolder(home);
  checkDisk();
  const data = join(home, "data");
  if (!existsSync(join(data, "PG_VERSION"))) {
    rmSync(data, { recursive: true, force: true });
    await makeCluster(programs, home, user);
  }
  await healLock(data);
  const port = await freePort();
  const quick = fast ? ["-c", "fsync=off", "-c", "synchronous_commit=off", "-c", "full_page_writes=off"] : [];
  let output = "";
  let server;
  let hasExited = false;
  let isUp = false;
  const args = [
    ...["-D", data, "-p", String(port)],
    ...["-c", "listen_addresses=127.0.0.1", "-c", "unix_socket_directories=", "-c", "max_connections=60"],
    ...quick,
  ];
  void keepRunning("The database", join(programs, "postgres"), args, {
    ...user,
    cwd: home,
    stdio: ["ignore", "pipe", "pipe"],
    isUp: () => isUp,
    onStart: (child) => {
      server = child;
      hasExited = false;
      child.on("exit", () => {
        hasExited = true;
      });
      for (const stream of [child.stdout, child.stderr])
        stream.on("data", (chunk) => {
          output = (output + chunk).slice(-4000);
        });
    },
  });
  atEnd(async () => {
    if (hasExited) return;
    server.kill("SIGINT");
    for (let i = 0; i < START_TRIES && !hasExited; i++) await wait(50);
    if (!hasExited) server.kill("SIGQUIT");
  });
  const isReady = join(programs, "pg_isready");
  for (let i = 0; ; i++) {
    if (isStopping()) return new Promise(() => {});
    if (hasExited || i > START_TRIES * 3) {
      throw new Trouble(
        `The database did not start. It said: ${output.trim().split("\n").slice(-3).join(" ")}\nIf the folder is damaged, start over: npm run demo -- --fresh`,
      );
    }
    const { code } = await finish(isReady, ["-q", "-h", "127.0.0.1", "-p", String(port)], {
      allowFail: true,
    });
    if (code === 0) break;
    await wait(60);
  }
  isUp = true;
  return addressOf(home, port);
}

async function lockOf(name) {
  const home = join(await clusterHome(clusterUser()), name);
  const lock = join(home, "data", "postmaster.pid");
  const [pid, , , port] = existsSync(lock) ? readFileSync(lock, "utf8").split("\n") : [];
  return { home, pid: Number(pid), port };
}

/** The address of a cluster that another command runs just now; nothing where none does. */
export async function runningCluster(name) {
  const { home, pid, port } = await lockOf(name);
  return port && isAlive(pid) ? addressOf(home, port) : undefined;
}

/** The id of its first process, for whoever tries what becomes of things without it; nothing where none runs. */
export async function clusterProcess(name) {
  const { pid } = await lockOf(name);
  return pid > 0 && isAlive(pid) ? pid : undefined;
}

const addressOf = (home, port) =>
  `postgres://${OWNER}:${readFileSync(join(home, "password"), "utf8")}@127.0.0.1:${port}/postgres`;

/** Takes a cluster's folder away, for a fresh start. */
export async function dropCluster(name) {
  const home = join(await clusterHome(clusterUser()), name);
  if (!existsSync(home)) return;
  mkdirSync(home, { recursive: true });
  takeFolder(home);
  if (existsSync(join(home, "data"))) await healLock(join(home, "data"));
  rmSync(home, { recursive: true, force: true });
}
