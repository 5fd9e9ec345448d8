import { randomUUID } from "node:crypto";
import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { openArchive } from "../../archive/open-archive.ts";
import { type Part, writeArchive } from "../../archive/write-archive.ts";
import type { AtDesk } from "../../database/connection.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { bookLog } from "../logs/book-log.ts";
import { readLog } from "../logs/read-log.ts";
import { bookPicture } from "../pictures/book-picture.ts";
import { readPicture } from "../pictures/read-picture.ts";
import { exportJob } from "./export-job.ts";
import { jobArchive } from "./job-archive.ts";
import { readInJob } from "./read-in-job.ts";

const PICTURES = 130;
const LOG = `s;coolant\n${Array.from({ length: 40 }, (_, row) => `${row * 30};${20 + row * 2}`).join("\n")}\n`;

let scratch: Scratch;
let folder: string;
let shop: Awaited<ReturnType<typeof smallShop>>;
let path: string;

const kept = async (content: Readable) => {
  const file = join(folder, `${randomUUID()}.zip`);
  await pipeline(content, createWriteStream(file));
  return file;
};

async function readIn(at: AtDesk, file: string) {
  const archive = await openArchive(file);
  try {
    return await readInJob(at, undefined, archive);
  } finally {
    archive.close();
  }
}

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "job-archive-"));
  scratch = await scratchDatabase();
  shop = await smallShop(scratch, "Archive");
  await bookLog(shop.at, shop.jobId, { id: randomUUID(), name: "one.csv", text: LOG });
  const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#8a3319" } })
    .jpeg()
    .toBuffer();
  for (let nr = 0; nr < PICTURES; nr++)
    await bookPicture(shop.at, shop.jobId, {
      ...{ id: randomUUID(), words: `picture ${nr}`, stage: "strip", at: new Date().toISOString(), bytes },
    });
  path = await kept((await jobArchive(shop.at, shop.jobId)).content);
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await scratch.drop();
});

/** The same file with one part written otherwise, or left out. */
async function changed(name: RegExp, how: (bytes: Buffer) => Buffer | undefined): Promise<string> {
  const archive = await openArchive(path);
  const parts: Part[] = [];
  let left = 1;
  for (const each of archive.names) {
    const bytes = await archive.read(each, 1e9);
    const told = name.test(each) && left-- > 0 ? how(bytes) : bytes;
    if (told) parts.push({ name: each, content: () => told });
  }
  archive.close();
  return kept(writeArchive(parts));
}

describe("a job's archive", () => {
  it("of more than a hundred pictures becomes the same job in another shop, byte for byte", async () => {
    const other = await smallShop(scratch, "Other");
    const { id, isNew } = await readIn(other.asLead, path);
    expect(isNew).toBe(true);
    const [before, after] = [
      await shop.at((desk) => exportJob(desk, shop.jobId, { areBeside: true })),
      await other.at((desk) => exportJob(desk, id, { areBeside: true })),
    ];
    expect(after.pictures).toHaveLength(PICTURES);
    for (const part of ["entries", "logs", "pictures", "card", "balance"] as const)
      expect(after[part], part).toEqual(before[part]);
    const logId = before.logs[0]?.id ?? "";
    expect(Buffer.from((await other.at((desk) => readLog(desk, id, logId))).bytes).toString()).toBe(LOG);
    for (const size of ["content", "small"] as const) {
      const of = (at: AtDesk, job: string) =>
        at((desk) => readPicture(desk, job, before.pictures[77]?.id ?? "", size));
      expect((await of(other.at, id)).equals(await of(shop.at, shop.jobId))).toBe(true);
    }
    expect(await readIn(other.asLead, path)).toMatchObject({ id, isNew: false });
    const third = await smallShop(scratch, "Third");
    const again = await readIn(third.asLead, await kept((await jobArchive(other.at, id)).content));
    expect((await third.at((desk) => exportJob(desk, again.id, { areBeside: true }))).pictures).toEqual(
      before.pictures,
    );
  });

  it("that isn't what it was is refused whole", async () => {
    const other = await smallShop(scratch, "Refuses");
    const half = join(folder, "half.zip");
    writeFileSync(half, readFileSync(path).subarray(0, 5000));
    const nothing = join(folder, "nothing.zip");
    writeFileSync(nothing, "");
    const huge = Buffer.alloc(52_000_001, "1");
    const cases: [Promise<string> | string, RegExp][] = [
      [half, /no zip, or it broke off/],
      [nothing, /no zip, or it broke off/],
      [changed(/\.jpg$/, () => undefined), /is not in it/],
      [changed(/\.jpg$/, () => Buffer.from("GIF89a")), /none that was kept here/],
      [changed(/\.csv$/, (bytes) => Buffer.concat([bytes, bytes])), /is not what it was/],
      [changed(/\.csv$/, () => huge), /more than 52 MB/],
      [changed(/job\.json/, () => Buffer.from("{")), /no JSON/],
      [changed(/job\.json/, () => Buffer.from("null")), /no job file/],
      [changed(/job\.json/, () => undefined), /“job.json” is not in it/],
      [kept(writeArchive([])), /“job.json” is not in it/],
    ];
    for (const [file, why] of cases) await expect(readIn(other.asLead, await file)).rejects.toThrow(why);
    expect(await other.at(({ models, transaction }) => models.Job.count({ transaction }))).toBe(1);
  });

  it("that would be more than a disk once unpacked is refused before any of it is", async () => {
    const other = await smallShop(scratch, "Bomb");
    const whole = await openArchive(path);
    let reads = 0;
    const bomb = {
      ...whole,
      bytes: 5e9,
      read: (...given: Parameters<typeof whole.read>) => {
        reads++;
        return whole.read(...given);
      },
    };
    await expect(readInJob(other.asLead, undefined, bomb)).rejects.toThrow(/more than 4 GB/);
    whole.close();
    expect(reads).toBe(0);
  });

  it("takes a log that is gone from it as one that the file never had, as older ones", async () => {
    const other = await smallShop(scratch, "Without");
    const { id } = await readIn(other.asLead, await changed(/\.csv$/, () => undefined));
    expect((await other.at((desk) => exportJob(desk, id, { areBeside: true }))).logs).toEqual([]);
  });
});
