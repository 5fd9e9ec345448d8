import { randomUUID } from "node:crypto";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { readBook } from "../../entries/read-books.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { exportJob } from "../jobs/export-job.ts";
import { readInJob } from "../jobs/read-in-job.ts";
import { signJob } from "../jobs/sign-job.ts";
import { bookPicture, type NewPicture } from "./book-picture.ts";
import { cleanPicture } from "./clean-picture.ts";
import { readPicture } from "./read-picture.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#8a3319" } });

/** What a camera makes of it: turned, with place and device written in. */
const fromCamera = (width = 4000, height = 3000) =>
  plain(width, height)
    .jpeg()
    .withExif({
      IFD0: { Make: "Camera maker", Model: "Camera" },
      IFD3: { GPSLatitudeRef: "N", GPSLatitude: "46/1 30/1 0/1" },
    })
    .withMetadata({ orientation: 6 })
    .toBuffer();
const given = (bytes: NewPicture["bytes"], more: Partial<NewPicture> = {}): NewPicture => ({
  id: randomUUID(),
  words: "left fan plug before it came off",
  stage: "strip",
  at: new Date().toISOString(),
  bytes,
  ...more,
});

describe("a picture", () => {
  it("is turned upright, shrunk, and has nothing of place and device left in it", async () => {
    const taken = await fromCamera();
    expect((await sharp(taken).metadata()).exif).toBeDefined();
    const { content, small, width, height } = await cleanPicture(taken);
    expect([width, height]).toEqual([1200, 1600]);
    for (const bytes of [content, small]) {
      const { exif, icc, xmp, iptc, format, orientation } = await sharp(bytes).metadata();
      expect({ exif, xmp, iptc, icc, orientation, format }).toEqual({ format: "jpeg" });
      expect(bytes.includes("Camera")).toBe(false);
    }
  });

  it("of 12 million pixels with much in it is kept under 400 kB", async () => {
    const busy = await sharp({
      create: {
        width: 4000,
        height: 3000,
        channels: 3,
        background: "#000",
        noise: { type: "gaussian", mean: 128, sigma: 60 },
      },
    })
      .jpeg({ quality: 92 })
      .toBuffer();
    const { content, small } = await cleanPicture(busy);
    expect(content.length).toBeLessThanOrEqual(400_000);
    expect(small.length).toBeLessThanOrEqual(60_000);
  });

  it("is told by its content, not by its name: what is none is refused in words", async () => {
    const svg = '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>';
    const whole = await plain(900, 900).jpeg().toBuffer();
    const cases: [string, Uint8Array, RegExp][] = [
      ["a drawing with a script", Buffer.from(svg), /no picture/],
      ["a drawing that says it is a picture", Buffer.from(`\xff\xd8${svg}`, "latin1"), /no picture/],
      ["a page", Buffer.from("<!doctype html><title>x</title>"), /no picture/],
      ["nothing", new Uint8Array(), /no picture/],
      ["only the beginning of one", whole.subarray(0, 300), /broken/],
      [
        "a beginning and then rubbish",
        Buffer.concat([whole.subarray(0, 20), Buffer.alloc(4000, 7)]),
        /broken/,
      ],
      ["30,000 pixels wide", await plain(30_000, 10).png().toBuffer(), /30000 × 10 pixels/],
      [
        "a film",
        await sharp(await plain(20, 20).png().toBuffer())
          .gif()
          .toBuffer(),
        /no picture/,
      ],
      ["26 MB", Buffer.concat([whole, Buffer.alloc(26_000_000)]), /26 MB/],
    ];
    for (const [what, bytes, words] of cases)
      await expect(cleanPicture(bytes), what).rejects.toMatchObject({
        message: expect.stringMatching(words),
      });
  });

  it("of 49 million pixels in a few bytes is refused before it is unpacked", async () => {
    const bomb = await plain(7000, 7000).png({ compressionLevel: 9 }).toBuffer();
    expect(bomb.length).toBeLessThan(600_000);
    await expect(cleanPicture(bomb)).rejects.toMatchObject({ message: expect.stringMatching(/7000 × 7000/) });
  });
});

describe("booking a picture", () => {
  it("keeps it apart from the book, once however often it is sent", async () => {
    const shop = await smallShop(scratch, "Pictures");
    const one = given(await fromCamera(800, 600), { place: "left fan" });
    for (let times = 0; times < 3; times++) await bookPicture(shop.at, shop.jobId, one);
    const book = await shop.at((desk) => readBook(desk, shop.jobId));
    expect(book).toHaveLength(1);
    expect(book[0]).toMatchObject({
      id: one.id,
      place: "left fan",
      text: "left fan plug before it came off",
      data: { fact: "picture", width: 600, height: 800 },
    });
    const kept = await shop.at((desk) => readPicture(desk, shop.jobId, one.id, "content"));
    expect((await sharp(kept).metadata()).format).toBe("jpeg");
  });

  it("refuses another under the same id, another job's, another shop's, and a signed job", async () => {
    const [shop, other] = [await smallShop(scratch, "Mine"), await smallShop(scratch, "Theirs")];
    const one = given(await plain(60, 40).png().toBuffer());
    await bookPicture(shop.at, shop.jobId, one);
    const another = { ...one, bytes: await plain(60, 41).png().toBuffer() };
    await expect(bookPicture(shop.at, shop.jobId, another)).rejects.toMatchObject({
      status: 409,
    });
    await expect(bookPicture(other.at, shop.jobId, given(one.bytes))).rejects.toMatchObject({
      status: 404,
    });
    await expect(other.at((desk) => readPicture(desk, shop.jobId, one.id, "small"))).rejects.toMatchObject({
      status: 404,
    });
    await shop.at((desk) =>
      signJob(desk, shop.jobId, {
        id: randomUUID(),
        reason: "nothing was done here at all",
        openSeen: [],
        openCount: 0,
      }),
    );
    await expect(bookPicture(shop.at, shop.jobId, given(one.bytes))).rejects.toMatchObject({
      status: 409,
    });
    const rows = await shop.at(({ models, transaction }) => models.Picture.count({ transaction }));
    expect(rows).toBe(1);
  });

  it("takes no change afterwards, from anybody", async () => {
    for (const sql of ["UPDATE pictures SET width = 1", "DELETE FROM pictures", "TRUNCATE pictures"])
      await expect(scratch.owner.sequelize.query(sql)).rejects.toThrow(/append-only/);
  });

  it("travels with the job's file, and what isn't a kept picture doesn't", async () => {
    const [shop, other] = [await smallShop(scratch, "Goes"), await smallShop(scratch, "Comes")];
    const one = given(await fromCamera(300, 200));
    await bookPicture(shop.at, shop.jobId, one);
    const file = JSON.parse(JSON.stringify(await shop.at((desk) => exportJob(desk, shop.jobId))));
    const { id } = await readInJob(other.at, file);
    const kept = await shop.at((desk) => readPicture(desk, shop.jobId, one.id, "content"));
    expect(await other.at((desk) => readPicture(desk, id, one.id, "content"))).toEqual(kept);
    const third = await smallShop(scratch, "Refuses");
    const withPlace = (await fromCamera(200, 300)).toString("base64");
    for (const content of [withPlace, `/9j/${"A".repeat(400)}`, "PHN2Zz48L3N2Zz4="]) {
      const broken = { ...file, pictures: [{ ...file.pictures[0], content }] };
      await expect(readInJob(third.at, broken)).rejects.toMatchObject({ status: 422 });
    }
  });
});
