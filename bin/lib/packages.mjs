import { accessSync, constants, existsSync, readdirSync, statSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./paths.mjs";
import { atEnd, finish } from "./processes.mjs";
import { say, Trouble } from "./say.mjs";

const OLDEST_NODE = [20, 19];

export function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split(".").map(Number);
  if (major < OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor < OLDEST_NODE[1])) {
    throw new Trouble(
      `Node ${process.versions.node} is too old: install Node ${OLDEST_NODE.join(".")} or newer.`,
    );
  }
}

/** `npm ci` where packages are missing or older than the lock file. */
export async function ensurePackages() {
  checkNode();
  const mark = join(ROOT, "node_modules", ".package-lock.json");
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(join(ROOT, "package-lock.json")).mtimeMs - 1000)
    return;
  say("Node packages: installing (about a minute)");
  await finish("npm", ["ci", "--no-audit", "--no-fund"], { cwd: ROOT });
}

const POLICY = "/usr/sbin/policy-rc.d";

/** Debian starts what serves as it is installed; ours is started by whoever needs it, on its own port. */
async function holdServices(sudo) {
  if (existsSync(POLICY)) return async () => {};
  const asRoot = (...command) => {
    const [first, ...rest] = [...sudo, ...command];
    return finish(first, rest, { allowFail: true });
  };
  let isHeld = true;
  const letGo = async () => {
    if (isHeld) await asRoot("rm", "-f", POLICY);
    isHeld = false;
  };
  // Left behind it would keep this machine's own services from starting.
  atEnd(letGo);
  await asRoot("sh", "-c", `printf '#!/bin/sh\\nexit 101\\n' > ${POLICY} && chmod 755 ${POLICY}`);
  return letGo;
}

async function aptInstall(packages) {
  const isRoot = process.getuid?.() === 0;
  const sudo = isRoot ? [] : ["sudo", "-n"];
  if (!isRoot && (await finish("sudo", ["-n", "true"], { allowFail: true })).code !== 0) return false;
  if (!existsSync("/usr/bin/apt-get")) return false;
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  const apt = (...args) =>
    finish([...sudo, "apt-get"][0], [...sudo, "apt-get", ...args].slice(1), { env, allowFail: true });
  await apt("update", "-q");
  const letServices = await holdServices(sudo);
  const { code } = await apt("install", "-y", "-q", "--no-install-recommends", ...packages);
  await letServices();
  return code === 0;
}

/** Makes sure a Debian package's program is there; where apt may not, says the one command to type. */
export async function ensureDebian(name, packages, find) {
  const found = find();
  if (found) return found;
  say(`${name}: installing from Debian`);
  await aptInstall(packages);
  const installed = find();
  if (installed) return installed;
  throw new Trouble(
    `${name} is not on this machine and could not be installed from here. Type: sudo apt-get update && sudo apt-get install -y ${packages.join(" ")}`,
  );
}

const isProgram = (path) => {
  try {
    accessSync(path, constants.X_OK);
    return true;
  } catch {
    return false;
  }
};

/** The folder of PostgreSQL's programs, newest version first. */
export function findPostgres() {
  const base = "/usr/lib/postgresql";
  const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
  const folders = [
    ...versions.map((version) => join(base, version, "bin")),
    ...(process.env.PATH ?? "").split(":"),
  ];
  return folders.find((folder) => isProgram(join(folder, "initdb")) && isProgram(join(folder, "postgres")));
}

/** The headless build first: it draws and scripts alike, and has no browser's windows and menus to keep. */
export function findChromium() {
  return [process.env.CHROMIUM, "/usr/bin/chromium-headless-shell", "/usr/bin/chromium"].find(
    (path) => path && isProgram(path),
  );
}

/** A program by its name, in the folders that are looked in, and where Debian puts what serves. */
export const findProgram = (name) =>
  [...(process.env.PATH ?? "").split(":"), "/usr/sbin", "/usr/bin"]
    .map((folder) => join(folder, name))
    .find(isProgram);

/** What stands between many processes and one database. */
export const findPooler = () => findProgram("pgbouncer");

/** What reads a report's PDF back in the tests. */
export const findPdfToText = () => findProgram("pdftotext");
