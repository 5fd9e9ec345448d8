import { createHash, randomUUID } from "node:crypto";
import { gzipSync } from "node:zlib";
import fc from "fast-check";
import { QueryTypes } from "sequelize";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { canonical, type Json } from "../../core/book/chain/index.ts";
import { mayClose } from "../../core/state/index.ts";
import { signJob } from "../books/jobs/sign-job.ts";
import { bookLog } from "../books/logs/book-log.ts";
import { bookPicture } from "../books/pictures/book-picture.ts";
import { readBook } from "../entries/read-books.ts";
import { readReport } from "../reports/read-report.ts";
import { type Scratch, scratchDatabase } from "../testing/scratch-database.ts";
import { smallShop } from "../testing/small-shop.ts";
import { findLine, hashFromPaper } from "./find-line.ts";
import { verifyShop } from "./verify-shop.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

type Shop = Awaited<ReturnType<typeof smallShop>>;
const sentence = (text: string) => ({ kind: "note" as const, stage: "ask" as const, text });
const LOG = `s,coolant\n${Array.from({ length: 40 }, (_, row) => `${row * 30},${20 + row * 2}`).join("\n")}\n`;

const sign = (shop: Shop) =>
  shop.at(async (desk) =>
    signJob(desk, shop.jobId, {
      id: randomUUID(),
      reason: "the owner has to go, and comes back",
      openSeen: mayClose(await readBook(desk, shop.jobId)).because,
    }),
  );

async function bookOf(name: string): Promise<Shop> {
  const shop = await smallShop(scratch, name);
  for (const text of ["one", "two", "three"]) await shop.book(sentence(text));
  await shop.book(
    { account: "fastener", item: "M6×20", out: 4 },
    { kind: "reading", item: "a value", value: 1e-7, unit: "V", stage: "find" },
  );
  // As an older program keeps what a newer one wrote.
  await shop.at(({ sequelize, transaction }) =>
    sequelize.query(
      `INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, kind, data)
       VALUES ($1, gen_random_uuid(), $2, 1, now(), $3, 'ask', 'note', $4)`,
      {
        bind: [
          shop.shopId,
          shop.jobId,
          shop.people.technician,
          JSON.stringify({ fact: "from-tomorrow", v: 9, b: [1.5, null, { c: "é\u2028" }], aa: 1e21 }),
        ],
        transaction,
      },
    ),
  );
  return shop;
}

/** What nobody who follows the rules can do: the owner lays every trigger down and writes. */
async function tamper(sql: string, bind: unknown[]): Promise<void> {
  const { sequelize } = scratch.owner;
  await sequelize.transaction(async (transaction) => {
    await sequelize.query("SET LOCAL session_replication_role = replica", { transaction });
    await sequelize.query(sql, { bind, transaction });
  });
}

describe("a book's hashes, reckoned without the database that made them", () => {
  it("are unbroken whatever was written, corrected and signed, two at a time too", async () => {
    const shop = await bookOf("Whole");
    const [first] = await shop.at((desk) => readBook(desk, shop.jobId));
    await shop.book({ ...sentence("mended"), corrects: first?.id });
    await Promise.all(
      Array.from({ length: 12 }, (_, n) => shop.book(sentence(`at once ${n}`), sentence("and"))),
    );
    await bookLog(shop.at, shop.jobId, { id: randomUUID(), name: "a.csv", text: LOG });
    await sign(shop);
    const told = await verifyShop(shop.at, { withFiles: true });
    expect(told).toMatchObject({ jobs: 1, broken: [] });
    expect(told.lines).toBeGreaterThan(30);
  });

  it("are PostgreSQL's own for three hundred random values", async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.jsonValue({ maxDepth: 3 }), { minLength: 10, maxLength: 10 }),
        fc.array(fc.double({ noNaN: true, noDefaultInfinity: true }), { minLength: 10, maxLength: 10 }),
        async (values, figures) => {
          const writable = JSON.parse(
            JSON.stringify({ values })
              .replaceAll("\\u0000", "")
              .replace(/\\ud[89a-f]../gi, ""),
          ) as Json;
          const [row] = await scratch.database.sequelize.query<{ told: string; figures: string }>(
            "SELECT $1::jsonb::text AS told, jsonb_build_array(VARIADIC $2::float8[])::text AS figures",
            { bind: [JSON.stringify(writable), figures], type: QueryTypes.SELECT },
          );
          expect(canonical(writable)).toBe(row?.told);
          expect(canonical(figures)).toBe(row?.figures);
        },
      ),
      { seed: 20, numRuns: 30 },
    );
  });
});

describe("a book that was changed behind everybody's back", () => {
  const line = "WHERE job_id = $1 AND seq = 3";
  it.each<[string, string, number | null]>([
    ["another text", `UPDATE entries SET text = 'else' ${line}`, 3],
    [
      "another hand",
      `UPDATE entries SET by = (SELECT id FROM people p WHERE p.shop_id = entries.shop_id AND role = 'lead') ${line}`,
      3,
    ],
    ["typed a millisecond later", `UPDATE entries SET at = at + interval '1 ms' ${line}`, 3],
    ["booked at another time", `UPDATE entries SET booked_at = booked_at - interval '1 day' ${line}`, 3],
    ["another stage", `UPDATE entries SET stage = 'fill' ${line}`, 3],
    ["one bolt less", `UPDATE entries SET "out" = 3 WHERE job_id = $1 AND seq = 4`, 4],
    [
      "the least change of a figure",
      "UPDATE entries SET value = 1.0000000000000002e-7 WHERE job_id = $1 AND seq = 5",
      5,
    ],
    [
      "another word in what it says beyond its figures",
      `UPDATE entries SET data = data || '{"aa": 2}' WHERE job_id = $1 AND seq = 6`,
      6,
    ],
    ["a line gone", `DELETE FROM entries ${line}`, 3],
    ["the first line gone", "DELETE FROM entries WHERE job_id = $1 AND seq = 1", 1],
    ["the last line gone", "DELETE FROM entries WHERE job_id = $1 AND seq = 6", 6],
    [
      "the last line gone, and its job's end with it",
      "WITH gone AS (DELETE FROM entries WHERE job_id = $1 AND seq = 6) UPDATE jobs SET last_seq = 5 WHERE id = $1",
      null,
    ],
    [
      "two lines in each other's place",
      "UPDATE entries SET seq = CASE seq WHEN 2 THEN 30 ELSE 2 END WHERE job_id = $1 AND seq IN (2, 3)",
      2,
    ],
    ["another vehicle", "UPDATE jobs SET vehicle_id = gen_random_uuid() WHERE id = $1", 1],
    ["another number", "UPDATE jobs SET number = 77 WHERE id = $1", 1],
    ["opened by somebody else", "UPDATE jobs SET opened_by = gen_random_uuid() WHERE id = $1", 1],
    [
      "signed, with no line for it",
      "UPDATE jobs SET signed_at = now(), signed_by = opened_by WHERE id = $1",
      null,
    ],
  ])("%s is told, and from which line", async (name, sql, fromLine) => {
    const shop = await bookOf(`Bad${name.length}`);
    await tamper(sql, [shop.jobId]);
    expect((await verifyShop(shop.at)).broken).toEqual([
      { jobId: shop.jobId, number: expect.any(Number), fromLine, why: expect.stringMatching(/./) },
    ]);
  });

  it("a signature taken back is told, and one by another hand", async () => {
    for (const sql of [
      "UPDATE jobs SET signed_at = NULL, signed_by = NULL WHERE id = $1",
      "UPDATE jobs SET signed_by = (SELECT id FROM people p WHERE p.shop_id = jobs.shop_id AND role = 'desk') WHERE id = $1",
    ]) {
      const shop = await bookOf("Unsigned");
      await sign(shop);
      await tamper(sql, [shop.jobId]);
      expect((await verifyShop(shop.at)).broken).toMatchObject([{ jobId: shop.jobId, fromLine: null }]);
    }
  });

  it("another log in the place of one, or none, is told where logs are read too", async () => {
    for (const [sql, bind] of [
      ["UPDATE logs SET content = $2 WHERE job_id = $1", [gzipSync("else")]],
      [
        "UPDATE logs SET content = $2, sha256 = $3 WHERE job_id = $1",
        [gzipSync("else"), createHash("sha256").update("else").digest("hex")],
      ],
      ["DELETE FROM logs WHERE job_id = $1", []],
    ] as const) {
      const shop = await bookOf("Logged");
      await bookLog(shop.at, shop.jobId, { id: randomUUID(), name: "a.csv", text: LOG });
      expect((await verifyShop(shop.at, { withFiles: true })).broken).toEqual([]);
      await tamper(sql, [shop.jobId, ...bind]);
      expect((await verifyShop(shop.at, { withFiles: true })).broken).toMatchObject([
        { jobId: shop.jobId, why: expect.stringMatching(/a\.csv/) },
      ]);
    }
  });

  it("another picture in the place of one, or none, is told too", async () => {
    const [bytes, other] = await Promise.all(
      ["#8a3319", "#245b4a"].map((background) =>
        sharp({ create: { width: 60, height: 40, channels: 3, background } })
          .jpeg()
          .toBuffer(),
      ),
    );
    for (const [sql, bind, why] of [
      [
        "UPDATE pictures SET content = $2 WHERE job_id = $1",
        [other],
        /left plug” of line 7 is not what it was/,
      ],
      ["DELETE FROM pictures WHERE job_id = $1", [], /left plug” of line 7 is gone/],
    ] as const) {
      const shop = await bookOf("Pictured");
      const at = new Date().toISOString();
      await bookPicture(shop.at, shop.jobId, {
        ...{ id: randomUUID(), words: "left plug", stage: "strip", at, bytes: bytes as Buffer },
      });
      expect((await verifyShop(shop.at, { withFiles: true })).broken).toEqual([]);
      await tamper(sql, [shop.jobId, ...bind]);
      expect((await verifyShop(shop.at, { withFiles: true })).broken).toMatchObject([
        { why: expect.stringMatching(why) },
      ]);
    }
  });

  it("an earlier log that is gone is told too, though the last one is there", async () => {
    const shop = await bookOf("TwoLogs");
    const first = randomUUID();
    await bookLog(shop.at, shop.jobId, { id: first, name: "first.csv", text: LOG });
    await bookLog(shop.at, shop.jobId, { id: randomUUID(), name: "second.csv", text: LOG });
    await tamper("DELETE FROM logs WHERE job_id = $1 AND id = $2", [shop.jobId, first]);
    expect((await verifyShop(shop.at, { withFiles: true })).broken).toMatchObject([
      { why: expect.stringMatching(/first\.csv.* of line 7 is gone/) },
    ]);
  });

  it("doesn't make the shop beside it look bad", async () => {
    const [one, other] = [await bookOf("One"), await bookOf("Beside")];
    await tamper(`UPDATE entries SET text = 'else' ${line}`, [one.jobId]);
    expect((await verifyShop(other.at)).broken).toEqual([]);
  });
});

describe("the role that every request works as", () => {
  const asRole = (shop: Shop, sql: string, bind: unknown[] = []) =>
    shop.at(({ sequelize, transaction }) => sequelize.query(sql, { bind, transaction }));
  const insert = (at: string) =>
    `INSERT INTO entries (shop_id, id, job_id, seq, at, by, booked_at, hash, stage, kind, text)
     VALUES ($1, gen_random_uuid(), $2, 99, ${at}, $3, now() - interval '9 years', sha256('x'), 'ask', 'note', 'forged')`;

  it("can't leave a hole, write in another's name, or say when it was", async () => {
    const shop = await bookOf("Forger");
    await asRole(shop, insert("now() + interval '1 year'"), [shop.shopId, shop.jobId, shop.people.lead]);
    const [row] = await scratch.owner.sequelize.query<Record<string, unknown>>(
      `SELECT seq, by, abs(extract(epoch FROM booked_at - now())) < 60 AS now, at <= booked_at AS typed
         FROM entries WHERE job_id = $1 AND text = 'forged'`,
      { bind: [shop.jobId], type: QueryTypes.SELECT },
    );
    expect(row).toEqual({ seq: 7, by: shop.people.technician, now: true, typed: true });
    expect((await verifyShop(shop.at)).broken).toEqual([]);
  });

  it("can't write into the past, tell another time, or write for nobody", async () => {
    const shop = await bookOf("Past");
    const given = [shop.shopId, shop.jobId, shop.people.technician];
    await expect(asRole(shop, insert("now() - interval '9 days'"), given)).rejects.toThrow(/into the past/);
    await expect(
      shop.at(async ({ sequelize, transaction }) => {
        await sequelize.query("SELECT set_config('app.now', '2020-01-01', true)", { transaction });
        await sequelize.query(insert("'2020-01-01'"), { bind: given, transaction });
      }),
    ).rejects.toThrow(/into the past/);
    await expect(
      shop.at(
        ({ sequelize, transaction }) => sequelize.query(insert("now()"), { bind: given, transaction }),
        "",
      ),
    ).rejects.toThrow(/nobody/);
  });

  it.each([
    ["UPDATE jobs SET last_seq = 3", /permission denied/],
    ["UPDATE jobs SET last_hash = NULL", /permission denied/],
    ["UPDATE jobs SET number = 9", /permission denied/],
    ["UPDATE jobs SET origin = '{}', lines_read_in = 1000", /permission denied/],
    ["UPDATE jobs SET opened_at = now()", /permission denied/],
    ["UPDATE verifications SET broken = '[]'", /permission denied/],
    ["ALTER TABLE entries DISABLE TRIGGER entries_chain", /must be owner/],
    ["SET LOCAL session_replication_role = replica", /permission denied/],
  ])("can't %s", async (sql, words) => {
    const shop = await bookOf("Held");
    await expect(asRole(shop, sql)).rejects.toThrow(words);
  });

  it("opens and signs as who is at the desk, now", async () => {
    const shop = await bookOf("Signer");
    await asRole(
      shop,
      "UPDATE jobs SET signed_at = now() + interval '1 year', signed_by = $2 WHERE id = $1",
      [shop.jobId, shop.people.lead],
    );
    const id = randomUUID();
    await asRole(
      shop,
      `INSERT INTO jobs (shop_id, id, number, vehicle_id, opened_by, opened_at, last_seq) VALUES ($1, $2, 900, $3, $4, now() + interval '1 year', 40)`,
      [shop.shopId, id, shop.vehicleId, shop.people.lead],
    );
    const rows = await scratch.owner.sequelize.query(
      `SELECT opened_by AS opened, signed_by AS signed, last_seq AS last, abs(extract(epoch FROM coalesce(signed_at, opened_at) - now())) < 60 AS now
         FROM jobs WHERE shop_id = $1 ORDER BY number`,
      { bind: [shop.shopId], type: QueryTypes.SELECT },
    );
    const { technician } = shop.people;
    expect(rows).toEqual([
      { opened: technician, signed: technician, last: 6, now: true },
      { opened: technician, signed: null, last: 0, now: true },
    ]);
  });
});

describe("what a report prints of its book", () => {
  it("is found in the book that it was printed from, as it goes on, and in no other", async () => {
    const shop = await bookOf("Paper");
    const { report } = await shop.at((desk) => readReport(desk, shop.jobId));
    expect(report.book).toMatchObject({
      lines: 6,
      hash: expect.stringMatching(/^([0-9a-f]{4} ){3}[0-9a-f]{4}$/),
    });
    await shop.book(sentence("later"));
    const hash = hashFromPaper(report.book.hash ?? "") ?? "";
    expect(await shop.at((desk) => findLine(desk, 1, hash))).toEqual({ line: 6, last: 7 });
    const other = await bookOf("Paper");
    expect(await other.at((desk) => findLine(desk, 1, hash))).toBeUndefined();
  });

  it.each(["", "3f2a", "3f2a 91c0 77de 04b", "zzzz zzzz zzzz zzzz", "%%%%%%%%%%%%%%%%"])(
    "is not %j",
    (typed) => {
      expect(hashFromPaper(typed)).toBeUndefined();
    },
  );
});
