import { createHash, randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import Ajv2020 from "ajv/dist/2020.js";
import addFormats from "ajv-formats";
import fc from "fast-check";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Entry, standing } from "../core/book/entry/index.ts";
import { FACTS } from "../core/book/facts/index.ts";
import { balance } from "../core/book/out/index.ts";
import { mayClose } from "../core/state/index.ts";
import { exportJob } from "../server/books/jobs/export-job.ts";
import { readHistory } from "../server/books/jobs/read-history.ts";
import { readInJob } from "../server/books/jobs/read-in-job.ts";
import { readJob } from "../server/books/jobs/read-job.ts";
import { signJob } from "../server/books/jobs/sign-job.ts";
import { takeNumber } from "../server/books/jobs/take-number.ts";
import { atDesk } from "../server/database/connection.ts";
import { cardSchema } from "../server/testing/card-schema.ts";
import { entryDefinitions } from "../server/testing/job-schema.ts";
import { type Scratch, scratchDatabase } from "../server/testing/scratch-database.ts";
import { newEntry, smallShop } from "../server/testing/small-shop.ts";
import { SHOP_ID, seedDemo } from "./seed.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
  await seedDemo(scratch.owner, scratch.told, new Date());
});
afterAll(() => scratch.drop());

const SCHEMA = JSON.parse(readFileSync("docs/formats/job.schema.json", "utf8"));

/** What says when and where a file was written, and under which number; all else must come back to the letter. */
const withoutWhere = (file: Awaited<ReturnType<typeof exportJob>>, renames: Record<string, string> = {}) => {
  const { exportedAt: _, shop: __, from: ___, lastHash: ______, ...rest } = file;
  const { number: ____, assignedTo: _____, ...job } = rest.job;
  let text = JSON.stringify({ ...rest, job });
  for (const [id, other] of Object.entries(renames)) text = text.replaceAll(id, other);
  return text;
};

const asFile = (file: unknown) => JSON.parse(JSON.stringify(file));

async function demoJobs() {
  const [rows] = await scratch.owner.sequelize.query(
    `SELECT id FROM jobs WHERE shop_id = '${SHOP_ID}' ORDER BY number`,
  );
  return (rows as { id: string }[]).map(({ id }) => id);
}
const inDemo = <Result>(work: Parameters<typeof atDesk<Result>>[2], personId: string) =>
  atDesk(scratch.database, { shopId: SHOP_ID, personId }, work);
const lead = async () => {
  const [[row]] = await scratch.owner.sequelize.query(
    `SELECT id FROM people WHERE shop_id = '${SHOP_ID}' AND role = 'lead'`,
  );
  return (row as { id: string }).id;
};

describe("the schema of a job file", () => {
  it("is made from the classes that check what is written: npm run schema", () => {
    expect({ account: SCHEMA.$defs.account, ...entryDefinitions() }).toEqual(SCHEMA.$defs);
    expect(cardSchema()).toEqual(SCHEMA.properties.card);
    for (const { fact } of FACTS) expect(SCHEMA.$defs).toHaveProperty(fact);
  });
});

describe("a job that is written and read in", () => {
  it("comes out of another shop's book as it went in, every job of the made-up shop", async () => {
    const other = await smallShop(scratch, "Reader");
    const ajv = new Ajv2020({ allErrors: true });
    addFormats(ajv);
    const validate = ajv.compile(SCHEMA);
    const by = await lead();
    for (const id of await demoJobs()) {
      const file = asFile(await inDemo((desk) => exportJob(desk, id), by));
      expect(validate(file), JSON.stringify(validate.errors?.slice(0, 3))).toBe(true);
      const { id: newId, number, isNew } = await readInJob(other.asLead, file);
      expect(isNew).toBe(true);
      const again = asFile(await other.at((desk) => exportJob(desk, newId)));
      expect(validate(again), JSON.stringify(validate.errors?.slice(0, 3))).toBe(true);
      expect(withoutWhere(again)).toBe(withoutWhere(file));
      expect(again.from).toMatchObject({ shop: "Lantern Hill Works", number: file.job.number });
      expect(again.job.number).toBe(number);
      const twice = await readInJob(other.asLead, file);
      expect(twice).toEqual({ id: newId, number, isNew: false });
    }
    expect(await other.at((desk) => readHistory(desk, "switch-1"))).toEqual(
      await inDemo((desk) => readHistory(desk, "switch-1"), by),
    );
    const { people } = await import("../server/subjects/shops/read-shop.ts").then(({ readShop }) =>
      other.at(readShop),
    );
    expect(people.filter(({ isActive }) => isActive)).toHaveLength(3);
  });

  it("stands as a copy beside itself in its own shop's book, once", async () => {
    const shop = await smallShop(scratch, "Copy");
    const bolts = newEntry({ account: "fastener", item: "M6×20", place: "bag 2", out: 3 });
    const part = newEntry({
      kind: "decision",
      item: "fan",
      data: { fact: "chosen-part", v: 1, grade: "used", supplier: "Pell Motor Factors" },
    });
    const check = newEntry({
      kind: "decision",
      item: "fan",
      data: { fact: "checked-part", v: 1, part: part.id },
    });
    await shop.book(bolts, part, check, { ...bolts, id: randomUUID(), out: 4, corrects: bolts.id });
    await shop.at((desk) =>
      signJob(desk, shop.jobId, {
        id: randomUUID(),
        reason: "kept for the test",
        openSeen: ["bag 2 is 4 M6×20 short"],
      }),
    );
    const file = asFile(await shop.at((desk) => exportJob(desk, shop.jobId)));
    const first = await readInJob(shop.asLead, file);
    const second = await readInJob(shop.asLead, file);
    expect([first.isNew, second.isNew, second.id]).toEqual([true, false, first.id]);
    const [original, copy] = await Promise.all(
      [shop.jobId, first.id].map((id) => shop.at((desk) => readJob(desk, id))),
    );
    expect(balance(copy?.entries ?? [])).toEqual(balance(original?.entries ?? []));
    expect(mayClose(copy?.entries ?? [])).toEqual(mayClose(original?.entries ?? []));
    expect(copy?.job).toMatchObject({ signReason: "kept for the test", from: { number: 1 } });
  });

  it("is refused where it has changed, is cut short or lies", async () => {
    const [shop, other] = [await smallShop(scratch, "Source"), await smallShop(scratch, "Target")];
    await shop.book({ kind: "note", text: "one" }, { kind: "note", text: "two" });
    const file = asFile(await shop.at((desk) => exportJob(desk, shop.jobId)));
    const read = (input: unknown) => readInJob(other.asLead, input);
    const changed = (change: (copy: typeof file) => void) => {
      const copy = structuredClone(file);
      change(copy);
      return copy;
    };
    for (const [wrong, says] of [
      [null, /holds no job/],
      [[], /holds no job/],
      [
        changed((copy) => {
          copy.format = "other";
        }),
        /format is “other”/,
      ],
      [
        changed((copy) => {
          copy.entries[1].seq = 3;
        }),
        /line 2 is out of its place/,
      ],
      [
        changed((copy) => {
          copy.entries[1].text = "";
        }),
        /line 2/,
      ],
      [
        changed((copy) => {
          copy.entries[1].at = "20270101";
        }),
        /line 2/,
      ],
      [
        changed((copy) => {
          copy.entries[0].corrects = copy.entries[1].id;
        }),
        /line 1 corrects nothing/,
      ],
      [
        changed((copy) => {
          copy.entries[1].id = copy.entries[0].id;
        }),
        /id of another/,
      ],
      [
        changed((copy) => {
          Object.assign(copy.job, { signedAt: "2099-01-01T00:00:00.000Z", signedById: copy.job.openedById });
        }),
        /signed in the future/,
      ],
      [
        changed((copy) => {
          copy.job.openedAt = "2099-01-01T00:00:00.000Z";
        }),
        /opened in the future/,
      ],
      [
        changed((copy) => {
          Object.assign(copy.job, { signedAt: "2020-01-01T00:00:00.000Z", signedById: copy.job.openedById });
        }),
        /before it was opened/,
      ],
      [
        changed((copy) => {
          copy.vehicle.vin = 7;
        }),
        /VIN/,
      ],
      [
        changed((copy) => {
          copy.entries = {};
        }),
        /entries is not a list/,
      ],
      [
        changed((copy) => {
          copy.job.openedAt = "soon";
        }),
        /opened/,
      ],
    ] as const)
      await expect(read(wrong), String(says)).rejects.toMatchObject({ message: expect.stringMatching(says) });
    const [rows] = await scratch.owner.sequelize.query(
      `SELECT 1 FROM jobs WHERE shop_id = '${other.shopId}'`,
    );
    expect(rows).toHaveLength(1);
    const newer = changed((copy) => {
      copy.entries[1] = {
        ...copy.entries[1],
        kind: "decision",
        data: { fact: "bleed-cycle", v: 7, litres: 0.2 },
      };
    });
    const { id } = await read(newer);
    const kept = asFile(await other.at((desk) => exportJob(desk, id)));
    expect(kept.entries[1].data).toEqual({ fact: "bleed-cycle", v: 7, litres: 0.2 });
    await expect(read(file)).rejects.toMatchObject({
      status: 409,
      message: expect.stringMatching(/changed since/),
    });
  });

  it("is refused with a card that a page could not be drawn from", async () => {
    const [shop, other] = [await smallShop(scratch, "Cards"), await smallShop(scratch, "Drawn")];
    const file = asFile(await shop.at((desk) => exportJob(desk, shop.jobId)));
    for (const wrong of [
      { fanOnC: [1e300] },
      { fanOnC: [98], fanOffC: [99] },
      { fanOnC: [98], fanOffC: [] },
      { capacityL: "9" },
      {
        sensorCurve: [
          { celsius: 20, ohms: 100 },
          { celsius: 80, ohms: 300 },
        ],
      },
      { sensorCurve: ["20: 2500"] },
      { capGaugeKpa: null },
      { coolantProduct: "a\u0000b" },
    ])
      await expect(
        readInJob(other.asLead, { ...file, card: { ...file.card, ...wrong } }),
        JSON.stringify(wrong),
      ).rejects.toMatchObject({ name: "Refusal", status: 422 });
    expect((await readInJob(other.asLead, file)).isNew).toBe(true);
  });

  it("of the first format is read by its names, its signer told from the signature", async () => {
    const [shop, other] = [await smallShop(scratch, "First"), await smallShop(scratch, "Later")];
    await shop.book({
      kind: "reading",
      stage: "prove",
      item: "coolant level",
      text: "at the line, cold",
      data: { level: "line", coldCheck: true },
    });
    await shop.at(
      (desk) => signJob(desk, shop.jobId, { id: randomUUID(), reason: "", openSeen: [] }),
      shop.people.lead,
    );
    const {
      openedById: _,
      signedById: __,
      ...job
    } = asFile(await shop.at((desk) => exportJob(desk, shop.jobId))).job;
    const file = {
      ...asFile(await shop.at((desk) => exportJob(desk, shop.jobId))),
      format: "warm-ledger-job-1",
      job,
    };
    file.entries[0].data = { level: "line", coldCheck: true };
    const { id } = await readInJob(other.asLead, file);
    const again = asFile(await other.at((desk) => exportJob(desk, id)));
    expect(again.job).toMatchObject({ signedBy: "First lead", signedById: shop.people.lead });
    expect(again.entries[0].data).toEqual({ fact: "coolant-level", v: 1, level: "line", heat: "cold" });
    await expect(
      readInJob(other.asLead, {
        ...file,
        job: { ...job, id: randomUUID(), signedBy: "Nobody" },
        entries: [],
      }),
    ).rejects.toMatchObject({ message: expect.stringMatching(/who signed it/) });
  });

  it("takes its number and holds nobody's new job up, and one that is refused leaves no gap", async () => {
    const [shop, other] = [await smallShop(scratch, "Numbers"), await smallShop(scratch, "Next")];
    await shop.book({ kind: "note", text: "first" });
    const file = asFile(await shop.at((desk) => exportJob(desk, shop.jobId)));
    const [first] = file.entries;
    const lines = Array.from({ length: 4000 }, (_, nr) => ({ ...first, id: randomUUID(), seq: nr + 1 }));
    const reading = readInJob(other.asLead, { ...file, entries: lines });
    let isRead = false;
    void reading.then(() => {
      isRead = true;
    });
    const numbers: number[] = [];
    while (!isRead) numbers.push(await other.at(takeNumber));
    expect(numbers.length).toBeGreaterThan(5);
    expect(new Set([1, (await reading).number, ...numbers]).size).toBe(numbers.length + 2);
    expect(Math.max((await reading).number, ...numbers)).toBe(numbers.length + 2);
    const second = asFile({ ...file, entries: lines });
    const text = JSON.stringify(second).replaceAll(shop.jobId, randomUUID());
    await expect(readInJob(other.asLead, JSON.parse(text))).rejects.toThrow(/still open on that vehicle/);
    expect(await other.at(takeNumber)).toBe(numbers.length + 3);
  });

  it("of five hundred people with long names is read in, and says who each of them was", async () => {
    const [shop, other] = [await smallShop(scratch, "Crowded"), await smallShop(scratch, "Reads")];
    await shop.book({ kind: "note", text: "first" });
    const file = asFile(await shop.at((desk) => exportJob(desk, shop.jobId)));
    const crowd = Array.from({ length: 498 }, (_, nr) => [
      randomUUID(),
      `${"ü".repeat(76)}${String(nr).padStart(4, "0")}`,
    ]);
    const [first] = file.entries;
    const more = crowd.map(([by], nr) => ({ ...first, id: randomUUID(), seq: nr + 2, by }));
    Object.assign(file, {
      entries: [first, ...more],
      people: { ...file.people, ...Object.fromEntries(crowd) },
    });
    const { id } = await readInJob(other.asLead, file);
    const again = asFile(await other.at((desk) => exportJob(desk, id)));
    expect(again.entries).toHaveLength(499);
    for (const [by = "", name] of crowd) expect(again.people[by]).toBe(name);
  });

  it("keeps its logs byte for byte, and refuses one that was tampered with", async () => {
    const by = await lead();
    const [id] = (
      await scratch.owner.sequelize.query(`SELECT job_id FROM logs WHERE shop_id = '${SHOP_ID}' LIMIT 1`)
    )[0] as { job_id: string }[];
    const file = asFile(await inDemo((desk) => exportJob(desk, id?.job_id ?? ""), by));
    const bytes = Buffer.from(file.logs[0].content, "base64");
    expect(createHash("sha256").update(bytes).digest("hex")).toBe(file.logs[0].sha256);
    const other = await smallShop(scratch, "Tamper");
    file.logs[0].content = Buffer.from(`${bytes.toString("latin1")}1,2\n`, "latin1").toString("base64");
    await expect(readInJob(other.asLead, file)).rejects.toMatchObject({
      message: expect.stringMatching(/not what it was/),
    });
  });
});

describe("any book", () => {
  it("of random lines, corrections and strikes comes back to the letter", async () => {
    const [shop, other] = [await smallShop(scratch, "Random"), await smallShop(scratch, "Mirror")];
    const examples = FACTS.filter((kind) => !kind.isServers && !kind.about && !kind.once).map(
      ({ example }) => example as Partial<Entry>,
    );
    const acts = fc.sample(fc.tuple(fc.nat(examples.length - 1), fc.nat(9), fc.nat(3)), {
      numRuns: 160,
      seed: 7,
    });
    const ids: string[] = [];
    for (const [pick, back, what] of acts) {
      const target = ids.at(-1 - back);
      const example = examples[pick] as Partial<Entry>;
      const draft = newEntry(
        what === 0 && target
          ? { kind: "note", corrects: target }
          : { ...example, ...(what === 1 && target ? { corrects: target } : {}) },
      );
      try {
        await shop.book(draft);
        ids.push(draft.id);
      } catch {
        // A correction of a line that is corrected already, or of a verdict: refused, as it should be.
      }
    }
    expect(ids.length).toBeGreaterThan(80);
    const file = asFile(await shop.at((desk) => exportJob(desk, shop.jobId)));
    await shop.at((desk) =>
      signJob(desk, shop.jobId, { id: randomUUID(), reason: "out of the way", openSeen: file.open }),
    );
    const { id } = await readInJob(other.asLead, file);
    const again = asFile(await other.at((desk) => exportJob(desk, id)));
    expect(withoutWhere(again)).toBe(withoutWhere(file));
    expect(standing(again.entries).map(({ id: each }) => each)).toEqual(
      standing(file.entries).map(({ id: each }: Entry) => each),
    );
  });
});
