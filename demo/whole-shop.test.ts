import { randomUUID } from "node:crypto";
import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import Ajv2020 from "ajv/dist/2020.js";
import addFormats from "ajv-formats";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { openArchive } from "../server/archive/open-archive.ts";
import { writeArchive } from "../server/archive/write-archive.ts";
import { bookLog } from "../server/books/logs/book-log.ts";
import { bookPicture } from "../server/books/pictures/book-picture.ts";
import { type AtDesk, atDesk } from "../server/database/connection.ts";
import { recordEntries } from "../server/entries/record-entries.ts";
import { signIn } from "../server/subjects/people/sign-in.ts";
import { packShop } from "../server/subjects/shops/pack-shop.ts";
import { lookAtShop, type ShopToRead, unpackShop } from "../server/subjects/shops/unpack-shop.ts";
import { type Scratch, scratchDatabase } from "../server/testing/scratch-database.ts";
import { newEntry, smallShop } from "../server/testing/small-shop.ts";
import { verifyShop } from "../server/verify/verify-shop.ts";
import { jobId, SHOP_ID, seedDemo } from "./seed.ts";
import { demoId } from "./story.ts";

const JOB = jobId("open-find");
const LOG = `s,coolant\r\n${Array.from({ length: 40 }, (_, row) => `${row * 30},${20 + row * 2}`).join("\r\n")}\r\n`;
const LEAD = { name: "Maren Oke", pin: "7395", password: "three odd lanterns" };

type Shop = Awaited<ReturnType<typeof smallShop>>;
let folder: string;
let here: Scratch;
let there: Scratch;
let small: Shop;
let files: { demo: string; small: string };

/** A log, a picture, figures and letters that are written in more ways than one. */
async function bookOddly(at: AtDesk, job: string) {
  await bookLog(at, job, { id: randomUUID(), name: "höchste.csv", text: LOG });
  const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#8a3319" } })
    .jpeg()
    .toBuffer();
  const now = new Date().toISOString();
  await bookPicture(at, job, { id: randomUUID(), words: "plug", stage: "strip", at: now, bytes });
  const odd = newEntry({ kind: "reading", item: "a value", value: 1e-7, unit: "V", stage: "find" });
  await at((desk) => recordEntries(desk, job, [odd, newEntry({ kind: "note", text: '“ü” \\ \u2028 "' })]));
}

const packed = async (shopId: string, withSecrets = false) => {
  const path = join(folder, `${randomUUID()}.zip`);
  await packShop(here.database, { shopId, withSecrets }, path);
  return path;
};

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "whole-shop-"));
  [here, there] = [await scratchDatabase(), await scratchDatabase()];
  await seedDemo(here.owner, here.told, new Date());
  await bookOddly(
    (work) => atDesk(here.database, { shopId: SHOP_ID, personId: demoId("person:tobin") }, work),
    JOB,
  );
  small = await smallShop(here, "Beside");
  await bookOddly(small.at, small.jobId);
  files = { demo: await packed(SHOP_ID), small: await packed(small.shopId) };
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await Promise.all([here.drop(), there.drop()]);
});

const readIn = (path: string, given: ShopToRead = { lead: LEAD }) => unpackShop(there.owner, path, given);

async function contentsOf(path: string): Promise<Map<string, string>> {
  const archive = await openArchive(path);
  const told = new Map<string, string>();
  for (const name of [...archive.names].sort())
    told.set(name, (await archive.read(name, 1e9)).toString("latin1"));
  archive.close();
  return told;
}

/** The same file with one of its parts written otherwise, or left out. */
async function changed(name: string, how: (text: string) => string | undefined): Promise<string> {
  const parts = await contentsOf(files.small);
  const text = how(parts.get(name) ?? "");
  if (text === undefined) parts.delete(name);
  else parts.set(name, text);
  const path = join(folder, `${randomUUID()}.zip`);
  const each = [...parts].map(([part, said]) => ({
    name: part,
    content: () => Buffer.from(said, "latin1"),
  }));
  await pipeline(writeArchive(each), createWriteStream(path));
  return path;
}

describe("a whole shop as one file", () => {
  it("says of itself what its schema says", async () => {
    const ajv = addFormats(new Ajv2020({ allErrors: true }));
    const validate = ajv.compile(JSON.parse(readFileSync("docs/formats/shop.schema.json", "utf8")));
    for (const path of Object.values(files)) {
      const heading = JSON.parse((await contentsOf(path)).get("shop.json") ?? "");
      expect(validate(heading), JSON.stringify(validate.errors)).toBe(true);
    }
  });

  it("that isn't what it was is refused with its place, and nothing of it is kept", async () => {
    const lead = { ...LEAD, name: "Beside lead" };
    const entries = "tables/entries.jsonl";
    const logs = [...(await contentsOf(files.small)).keys()].filter((name) => name.startsWith("logs/"));
    const cases: [string, (text: string) => string | undefined, RegExp][] = [
      [entries, (text) => text.replace('"value":1e-07', '"value":2e-07'), /line \d+ of job \d+ is not what/],
      [entries, (text) => text.replace(/\n[^\n]+\n/, "\n"), /is not what its hash says/],
      [entries, (text) => text.replace(/[^\n]+\n$/, ""), /entries has \d+ rows|doesn't end as it did/],
      [entries, (text) => `${text}nonsense`, /of entries is no JSON/],
      ["tables/jobs.jsonl", (text) => text.replace(/"number":(\d)/, '"number":9$1'), /is not what its hash/],
      ["tables/vehicles.jsonl", (text) => text.replace('"plate"', '"tune"'), /doesn't know/],
      ["tables/vehicles.jsonl", (text) => text.replace(small.shopId, randomUUID()), /is another shop's/],
      ["tables/levels.jsonl", () => undefined, /“tables\/levels.jsonl” is not in it/],
      [logs[0] ?? "", (text) => text.replace("20", "21"), /the log “.*” is not what it was/],
      ["shop.json", (text) => text.replace("-1", "-9"), /warm-ledger-shop-1 is wanted/],
      ["shop.json", (text) => text.replace('"levels"', '"lovels"'), /“lovels”/],
      ["shop.json", (text) => text.replace('"hasSecrets": false', '"hasSecrets": true'), /and it isn't/],
      ["tables/people.jsonl", (text) => text.replaceAll('"lead"', '"desk"'), /nobody leads it/],
      ["shop.json", () => "null", /its format is/],
      ["shop.json", () => "{", /no JSON/],
    ];
    for (const [name, how, why] of cases)
      await expect(
        changed(name, how).then((path) => readIn(path, { lead })),
        `${name} ${how}`,
      ).rejects.toThrow(why);
    const half = join(folder, "half.zip");
    writeFileSync(half, readFileSync(files.small).subarray(0, 2000));
    await expect(readIn(half)).rejects.toThrow(/no zip, or it broke off/);
    const flipped = readFileSync(files.small);
    const at = flipped.indexOf("tables/entries.jsonl") + 120;
    // Some broken bytes unpack, to what no line is: then that is said, and else that the file can't be read.
    for (let place = at; place < at + 20; place++) flipped[place] = (flipped[place] ?? 0) ^ 0xff;
    writeFileSync(half, flipped);
    await expect(readIn(half, { lead })).rejects.toThrow(/can(?:'t)? be read/);
    await expect(readIn(files.small, {})).rejects.toThrow(/Say which lead/);
    await expect(readIn(files.small, { lead: { ...lead, name: "Nobody" } })).rejects.toThrow(
      /leads nothing in it/,
    );
    await expect(readIn(files.small, { lead: { ...lead, pin: "1234" } })).rejects.toThrow();
    const [left] = await there.owner.sequelize.query("SELECT * FROM shops");
    expect(left).toEqual([]);
  });

  it("comes out elsewhere as the same shop, to the letter and the hash, and lets one lead in", async () => {
    expect(await lookAtShop(files.demo)).toMatchObject({ hasSecrets: false, leads: [LEAD.name] });
    const { invitation, jobs } = await readIn(files.demo);
    expect(invitation).toMatch(/.{20}/);
    expect(jobs).toBeGreaterThan(90);
    const at: AtDesk = (work) => atDesk(there.database, { shopId: SHOP_ID }, work);
    expect(await verifyShop(at, { withFiles: true })).toMatchObject({ broken: [], jobs });
    const again = join(folder, "again.zip");
    await packShop(there.database, { shopId: SHOP_ID }, again);
    const [before, after] = [await contentsOf(files.demo), await contentsOf(again)];
    expect([...after.keys()]).toEqual([...before.keys()]);
    for (const [name, text] of before) {
      // That somebody was let in, and that the books were read through, is written down here.
      if (["tables/audit.jsonl", "tables/verifications.jsonl"].includes(name))
        expect(after.get(name)?.startsWith(text), name).toBe(true);
      else if (name !== "shop.json") expect(after.get(name) === text, name).toBe(true);
    }
    const byPassword = (name: string, password: string) =>
      signIn(there.database, { name, password }, { shopId: SHOP_ID, source: "192.0.2.1" });
    expect(await byPassword(LEAD.name, LEAD.password)).toHaveProperty("token");
    expect(await byPassword("Tobin Askel", "three odd lanterns")).toHaveProperty("refused");
    await expect(readIn(files.demo)).rejects.toThrow(/in this database already/);
    // Work goes on where it was.
    const tobin: AtDesk = (work) =>
      atDesk(there.database, { shopId: SHOP_ID, personId: demoId("person:tobin") }, work);
    await tobin((desk) => recordEntries(desk, JOB, [newEntry({ kind: "note", text: "goes on" })]));
    expect((await verifyShop(at)).broken).toEqual([]);
  });

  it("moves with what its people sign in by where the owner says so, under another name if that is taken", async () => {
    const moving = await smallShop(here, "Moving");
    const taken = await smallShop(there, "Taken");
    const path = await packed(moving.shopId, true);
    await expect(readIn(path, { slug: taken.slug })).rejects.toThrow(/--short-name/);
    const { slug } = await readIn(path, { slug: "moved-here" });
    expect(slug).toBe("moved-here");
    expect(
      await signIn(
        there.database,
        { personId: moving.people.technician, pin: "4821" },
        { shopId: moving.shopId, source: "192.0.2.1" },
      ),
    ).toHaveProperty("token");
  });

  it("holds nothing of the shop beside it, and no secret", async () => {
    const all = [...(await contentsOf(files.demo)).values()].join("\n");
    expect(all).toContain("MRW 2417");
    expect(all).not.toMatch(/BES \d|argon2|token_hash|pin_hash|calendar_hash/);
  });

  it("is the owner's to read in: the application's role can't keep a line as it gives it", async () => {
    const shop = await smallShop(here, "Keeps");
    const past = new Date(Date.now() - 30 * 86_400_000).toISOString();
    await shop.at(async ({ sequelize, transaction }) => {
      await sequelize.query("SELECT set_config('app.keeps', 'on', true)", { transaction });
      await sequelize.query(
        `INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, kind, text, booked_at, hash)
         VALUES ($1, gen_random_uuid(), $2, 7, now(), $3, 'ask', 'note', 'x', $4, sha256('x'))`,
        { bind: [shop.shopId, shop.jobId, shop.people.lead, past], transaction },
      );
    });
    const rows = await here.owner.sequelize.query(
      "SELECT seq, by, booked_at > now() - interval '1 minute' AS now FROM entries WHERE job_id = $1",
      { bind: [shop.jobId] },
    );
    expect(rows[0]).toEqual([{ seq: 1, by: shop.people.technician, now: true }]);
  });
});
