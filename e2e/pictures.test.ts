import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { ElementHandle, Page } from "puppeteer-core";
import sharp from "sharp";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { Application, readAnew } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { allSent, bookWords, pictureOfFailure, seen, tap, write } from "./support/walk.ts";

let application: Application;
let page: Page;
const folder = mkdtempSync(join(tmpdir(), "pictures-"));
beforeAll(async () => {
  application = await Application.open({ keepsProgram: true });
  page = await application.signedIn("ilse");
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await application.close();
});
afterEach(({ task }) => pictureOfFailure(page, task));

const JOB = jobId("open-find");

async function file(name: string, bytes: Uint8Array): Promise<string> {
  const path = join(folder, name);
  writeFileSync(path, bytes);
  return path;
}

/** What a camera hands over: two thirds of it one colour, much in the rest, place and device within. */
const photograph = (width: number, height: number) =>
  sharp({
    create: {
      width,
      height,
      channels: 3,
      background: "#8a3319",
      noise: { type: "gaussian", mean: 120, sigma: 25 },
    },
  })
    .jpeg({ quality: 90 })
    .withExif({ IFD3: { GPSLatitudeRef: "N", GPSLatitude: "46/1 30/1 0/1" } })
    .toBuffer();

const choose = async (path: string) => {
  const input = (await page.waitForSelector("[data-picture-file]")) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
};
const openPictures = async () => {
  await application.go(page, `/jobs/${JOB}/strip`);
  await page.locator('[role="tab"]::-p-text(Pictures)').click();
  await page.waitForSelector("[data-picture-file]");
};

describe("a picture", () => {
  it("of 12 million pixels is booked, small and without its place", async () => {
    await openPictures();
    const path = await file("plug.jpg", await photograph(4000, 3000));
    await write(page, "What the picture shows", "left fan plug before it came off");
    await choose(path);
    await page.waitForSelector("::-p-aria(Open the picture: left fan plug before it came off)");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).at(-1))
      .toMatch(/Picture: left fan plug before it came off/);
    const [[row]] = (await application.scratch.owner.sequelize.query(
      "SELECT content, width FROM pictures WHERE job_id = $1",
      { bind: [JOB] },
    )) as [[{ content: Buffer; width: number }], unknown];
    expect(row.width).toBe(1600);
    expect(row.content.length).toBeLessThan(400_000);
    await expect.poll(async () => (await sharp(row.content).metadata()).exif).toBeUndefined();
    expect(await violations(page)).toEqual([]);
  });

  it("is opened large, and an arrow is put on it by key and kept", async () => {
    await tap(page, "Open the picture: left fan plug before it came off");
    const drawn = await page.waitForSelector('[role="application"]');
    await page.waitForFunction(() =>
      [...document.querySelectorAll("[role=dialog] img")].every(
        (each) => (each as HTMLImageElement).naturalWidth === 1600,
      ),
    );
    await drawn?.focus();
    for (const key of ["ArrowLeft", "ArrowUp", "ArrowUp"] as const) await page.keyboard.press(key);
    await seen(page, "Arrow at 48 % from the left, 46 % from the top.");
    expect(await violations(page)).toEqual([]);
    await tap(page, "Keep the arrow");
    await page.waitForSelector('[role="application"] g');
    await page.keyboard.press("Escape");
    await seen(page, "with an arrow");
    await allSent(page);
    await readAnew(page);
    await page.locator('[role="tab"]::-p-text(Pictures)').click();
    await seen(page, "with an arrow");
  });

  it("prints alone on one sheet", async () => {
    await tap(page, "Open the picture: left fan plug before it came off");
    await page.waitForSelector('[role="application"] g');
    const sheet = Buffer.from(await page.pdf({ format: "A4" })).toString("latin1");
    expect(sheet.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
    await page.keyboard.press("Escape");
  });

  it("that is none is refused in words, whatever it is called", async () => {
    await choose(
      await file(
        "really.jpg",
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
      ),
    );
    await seen(page, "That is no picture, or it is broken");
    await choose(
      await file(
        "wide.png",
        await sharp({ create: { width: 30_000, height: 8, channels: 3, background: "#000" } })
          .png()
          .toBuffer(),
      ),
    );
    await seen(page, "30000 × 8 pixels");
    await choose(await file("long.jpg", Buffer.alloc(40_000_000)));
    await seen(page, "That is 40 MB");
  });

  it("is kept in the browser while the network is gone, over a reload, and sent once it is back", async () => {
    await page.setOfflineMode(true);
    await write(page, "What the picture shows", "lower clip");
    await choose(await file("clip.jpg", await photograph(900, 600)));
    await seen(page, "not sent yet");
    await page.waitForFunction(() =>
      [...document.querySelectorAll("main img")].some((each) =>
        (each as HTMLImageElement).src.startsWith("blob:"),
      ),
    );
    await tap(page, "Open the picture: lower clip");
    await page.waitForFunction(
      () => (document.querySelector("[role=dialog] img") as HTMLImageElement | null)?.naturalWidth === 900,
    );
    const drawn = await page.waitForSelector('[role="application"]');
    await drawn?.focus();
    await page.keyboard.press("ArrowDown");
    await tap(page, "Keep the arrow");
    await page.keyboard.press("Escape");
    await page.setOfflineMode(false);
    await readAnew(page);
    await page.waitForFunction(() =>
      document.querySelector("aside")?.textContent?.includes("Arrow: lower clip"),
    );
    await allSent(page);
    const { length } = (
      await application.scratch.owner.sequelize.query("SELECT id FROM pictures WHERE job_id = $1", {
        bind: [JOB],
      })
    )[0];
    expect(length).toBe(2);
    await expect
      .poll(async () => (await bookWords(page)).slice(-2).join("\n"))
      .toMatch(/Picture: lower clip[\s\S]*Arrow: lower clip/);
  });
});

describe("posts that nobody means well", () => {
  it("meet a 4xx, eleven at once, and keep nothing", async () => {
    const answers = await page.evaluate(async (job) => {
      const id = () => crypto.randomUUID();
      const at = new Date().toISOString();
      const post = async (
        fields: Record<string, string>,
        bytes: BlobPart[],
        path = `/jobs/${job}/pictures`,
      ) => {
        const form = new FormData();
        for (const [name, value] of Object.entries(fields)) form.set(name, value);
        form.set("picture", new File(bytes, "x.jpg", { type: "image/jpeg" }));
        const { status } = await fetch(path, { method: "POST", body: form });
        return status;
      };
      const sound = () => ({ id: id(), words: "a", stage: "strip", at });
      return Promise.all([
        post(sound(), ["<svg onload=alert(1)>"]),
        post(sound(), []),
        post({ ...sound(), id: "1" }, ["x"]),
        post({ ...sound(), words: "x".repeat(5000) }, ["x"]),
        post({ ...sound(), words: "a\u0000b" }, ["x"]),
        post({ ...sound(), stage: "nowhere" }, ["x"]),
        post({ ...sound(), at: "+275760-09-13" }, ["x"]),
        post({ ...sound(), extra: "y" }, ["x"]),
        post(sound(), ["x"], `/jobs/${id()}/pictures`),
        post(sound(), ["x"], "/jobs/none/pictures"),
        post(sound(), [new Uint8Array(40_000_000)]),
      ]);
    }, JOB);
    for (const [index, status] of answers.entries()) {
      expect(status, `${index}`).toBeGreaterThanOrEqual(400);
      expect(status, `${index}`).toBeLessThan(500);
    }
  });

  it("and pictures of others, or of none, are not there", async () => {
    for (const path of [
      `/jobs/${JOB}/pictures/none/large.jpg`,
      `/jobs/${jobId("open-build")}/pictures/${JOB}/small.jpg`,
      `/jobs/${JOB}/pictures/${JOB}/other`,
    ]) {
      const status = await page.evaluate(async (address) => (await fetch(address)).status, path);
      expect(status, path).toBe(404);
    }
  });
});
