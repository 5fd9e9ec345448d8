import { mkdirSync, writeFileSync } from "node:fs";
import { jobId } from "../demo/seed.ts";
import { demoId } from "../demo/story.ts";
import { Application } from "./support/application.ts";

const folder = "/tmp/m";
mkdirSync(folder, { recursive: true });
const job = (key: string, stage: string) => `/jobs/${jobId(key)}/${stage}`;
const ALL: [string, string][] = [
  ["ask", job("open-find", "ask")],
  ["find", job("open-find", "find")],
  ["plan", job("open-build", "plan")],
  ["strip", job("open-build", "strip")],
  ["build", job("open-build", "build")],
  ["fill", job("open-prove", "fill")],
  ["prove", job("open-prove", "prove")],
  ["sign", job("open-build", "sign")],
  ["vehicle", `/vehicles/${demoId("vehicle:scholar")}`],
];
const want = process.argv.slice(2).filter((a) => !a.startsWith("--"));
const shots = process.argv.includes("--shots");
const application = await Application.open();
try {
  for (const [w, h] of (process.env.SIZES
    ? JSON.parse(process.env.SIZES)
    : [
        [1280, 800],
        [1024, 768],
        [390, 844],
      ]) as [number, number][]) {
    const page = await application.signedIn("maren", { width: w, height: h });
    await page.evaluateOnNewDocument("globalThis.__name = (each) => each");
    for (const [name, path] of ALL) {
      if (want.length && !want.includes(name)) continue;
      await application.go(page, path);
      await new Promise((r) => setTimeout(r, 900));
      const m = await page.evaluate(() => {
        const s = document.querySelector('section[aria-label="Work"]') ?? document.querySelector("main");
        const d = document.scrollingElement!;
        const r = (s: string) => {
          const e = document.querySelector(s);
          return e ? Math.round(e.getBoundingClientRect().bottom) : undefined;
        };
        return {
          work: [s?.scrollHeight, s?.clientHeight],
          doc: [d.scrollHeight, d.clientHeight],
          hand: r("[data-in-hand]"),
          next: r("[data-next]"),
          wide: d.scrollWidth > d.clientWidth,
        };
      });
      console.log(`${w}x${h}`, name, JSON.stringify(m));
      if (shots) writeFileSync(`${folder}/${name}-${w}.png`, await page.screenshot());
    }
    await page.browserContext().close();
  }
} finally {
  await application.close();
}
