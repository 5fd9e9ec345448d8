#!/usr/bin/env node
// A shop of one's own, without anything made up: npm run shop. The first time it is asked for, or given as flags; then it serves.
import { existsSync } from "node:fs";
import { join, resolve } from "node:path";
import { createInterface } from "node:readline/promises";
import { parseArgs } from "node:util";
import { runShopFile, startChores } from "./lib/backups.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { startCluster } from "./lib/cluster.mjs";
import { keepShop, keptShop } from "./lib/kept-shop.mjs";
import { ensurePackages } from "./lib/packages.mjs";
import { LOCAL, ROOT } from "./lib/paths.mjs";
import { choosePort } from "./lib/ports.mjs";
import { finish, isStopping, stopAll } from "./lib/processes.mjs";
import { commandOf } from "./lib/programs.mjs";
import { run, say, Trouble } from "./lib/say.mjs";
import { readSettings } from "./lib/settings.mjs";
import { serveWeb } from "./lib/web.mjs";

const USAGE = `npm run shop                 asks what it needs to know the first time, then serves
npm run shop -- --name "…" --time-zone Europe/Dublin --units metric --currency EUR --lead "…"
                             the same by flags; the lead's PIN and password come from
                             LEAD_PIN and LEAD_PASSWORD, or are asked for
npm run shop -- --from FILE  reads in what npm run shop-file or Shop wrote, as the same shop; --lead says who of
                             its leads gets a new PIN and password
Also: --short-name (what people sign in with), --only-make (sets up and does not serve).
DATABASE_URL, HOST, PORT, TRUST_PROXY, PUBLIC_URL: see docs/running.md.`;

const OPTIONS = {
  name: { type: "string" },
  "short-name": { type: "string" },
  "time-zone": { type: "string" },
  units: { type: "string" },
  currency: { type: "string" },
  lead: { type: "string" },
  from: { type: "string" },
  "only-make": { type: "boolean", default: false },
  help: { type: "boolean", default: false },
};

const shortOf = (name) =>
  name
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40);

function readFlags() {
  try {
    return parseArgs({ options: OPTIONS, strict: true, allowPositionals: false }).values;
  } catch (error) {
    throw new Trouble(`${error.message}\n\n${USAGE}`);
  }
}

/** Asks a person at a terminal, without showing what is secret; where nobody sits there, says which flag is missing. */
async function ask(question, flag, { usual, isSecret = false } = {}) {
  if (!process.stdin.isTTY) {
    if (usual !== undefined) return usual;
    throw new Trouble(`${flag} is missing, and nobody is here to be asked.\n\n${USAGE}`);
  }
  const terminal = createInterface({ input: process.stdin, output: process.stdout, terminal: true });
  // What is typed is written back by the terminal's own hand, which is held for as long as it is secret.
  if (isSecret) terminal._writeToOutput = (text) => process.stdout.write(text.includes(question) ? text : "");
  try {
    const answer = (
      await terminal.question(`${question}${usual === undefined ? "" : ` [${usual}]`}: `)
    ).trim();
    if (isSecret) process.stdout.write("\n");
    return answer || usual || ask(question, flag, { usual, isSecret });
  } finally {
    terminal.close();
  }
}

async function askAll(flags) {
  const name = flags.name ?? (await ask("What is the shop called?", "--name"));
  const slug =
    flags["short-name"] ??
    (await ask("Short name to sign in with", "--short-name", { usual: shortOf(name) }));
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return {
    name,
    slug,
    timeZone: flags["time-zone"] ?? (await ask("Time zone", "--time-zone", { usual: here })),
    units: flags.units ?? (await ask("Units, metric or us", "--units", { usual: "metric" })),
    currency: flags.currency ?? (await ask("Currency, three letters", "--currency", { usual: "EUR" })),
    lead: { name: flags.lead ?? (await ask("Who leads it? Full name", "--lead")), ...(await askSecrets()) },
  };
}

const askSecrets = async () => ({
  pin: process.env.LEAD_PIN ?? (await ask("The lead's PIN, 4 to 8 digits", "LEAD_PIN", { isSecret: true })),
  password:
    process.env.LEAD_PASSWORD ??
    (await ask("The lead's password, 10 letters or more", "LEAD_PASSWORD", { isSecret: true })),
});

/** Reads a shop in from its file; where nobody's secret is in it, one of its leads is given new ones. */
async function settleFrom(DATABASE_URL, flags) {
  const file = resolve(flags.from);
  if (!existsSync(file)) throw new Trouble(`There is no ${file}.`);
  const { leads, hasSecrets } = await runShopFile(DATABASE_URL, "look", file);
  const lead =
    flags.lead ??
    (hasSecrets
      ? ""
      : await ask("Who leads it? Full name", "--lead", { usual: leads.length === 1 ? leads[0] : undefined }));
  if (lead) {
    const { pin, password } = await askSecrets();
    Object.assign(process.env, { LEAD_PIN: pin, LEAD_PASSWORD: password });
  }
  return runShopFile(DATABASE_URL, "in", file, flags["short-name"] ?? "", lead);
}

/** Finds the shop of that short name or makes it. */
async function settle(DATABASE_URL, asked) {
  const { output } = await finish(process.execPath, [commandOf("shop")], {
    cwd: ROOT,
    env: { ...process.env, DATABASE_URL },
    input: JSON.stringify(asked),
    allowFail: true,
  });
  const line = output.split("\n").findLast((each) => each.startsWith("{"));
  const told = line ? JSON.parse(line) : undefined;
  if (!told || told.refused)
    throw new Trouble(told?.refused ?? `The shop could not be set up:\n${output.slice(-800)}`);
  return told;
}

async function make(owner, flags) {
  const asked = await askAll(flags);
  return { slug: asked.slug, ...(await settle(owner, asked)) };
}

await run(async () => {
  const flags = readFlags();
  if (flags.help) return say(USAGE);
  const { host, publicUrl } = readSettings(process.env);
  try {
    await ensurePackages();
    const port = flags["only-make"] ? undefined : await choosePort("npm run shop");
    const known = flags.from
      ? undefined
      : (flags["short-name"] ?? (flags.name ? undefined : keptShop()?.slug));
    const [owner] = await Promise.all([process.env.DATABASE_URL ?? startCluster("shop"), ensureBuild()]);
    const found = known ? await settle(owner, { slug: known }) : {};
    const shop = flags.from
      ? await settleFrom(owner, flags)
      : { slug: known, ...(found.name ? found : await make(owner, flags)) };
    keepShop(shop.slug);
    if (port === undefined) return say(`${shop.name} is set up. To serve it: npm run shop`);
    await startChores(owner, process.env.BACKUP_TO ?? join(LOCAL, "backups"));
    const address = publicUrl?.origin ?? `http://${host === "0.0.0.0" ? "127.0.0.1" : host}:${port}`;
    const code = await serveWeb({ APP_DATABASE_URL: shop.appUrl, PORT: String(port), HOST: host }, () => {
      if (shop.invitation)
        say(
          `\n${shop.name} is set up. Open this within the hour in the shop's first browser; it is good once:\n\n  ${address}/this-device/${shop.invitation}\n`,
        );
      say(`\n${shop.name}: ${address} (shop ${shop.slug}). Ctrl-C stops everything.`);
    });
    if (!isStopping() && code !== 0) process.exitCode = 1;
  } finally {
    await stopAll();
  }
});
