import { randomUUID } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { book } from "../../core/book/entry/book.fixture.ts";
import { type Entry } from "../../core/book/entry/index.ts";
import { FACTS } from "../../core/book/facts/index.ts";
import { buildList, stillOut } from "../../core/book/out/index.ts";
import { casesOf, jobOf } from "../../core/language/corpus.fixture.ts";
import { readLine } from "../../core/language/index.ts";
import { jobId, SHOP_ID } from "../../demo/seed.ts";
import { Server } from "../../e2e/support/server.ts";
import { ensureBuild } from "../lib/build.mjs";
import { type Figure, median, medianMs } from "./measure.ts";

const LONG = 3000;
const CORPUS = new URL("../../core/language/corpus/", import.meta.url);

/** A third says something, a third is notes, a third is bolts out: a job that went on for weeks. */
function drafts(): Partial<Entry>[] {
  const examples = FACTS.filter((kind) => !kind.isServers).map(({ example }) => example as Partial<Entry>);
  return Array.from({ length: LONG }, (_, index): Partial<Entry> => {
    if (index % 3 === 0) return { stage: "find", ...examples[(index / 3) % examples.length] };
    if (index % 3 === 1) return { kind: "note", text: `what was seen, ${index}` };
    return {
      kind: "movement",
      account: "fastener",
      item: `M${index % 40}`,
      place: `bag ${index % 50}`,
      out: 2,
    };
  });
}

async function benchPage(): Promise<Figure[]> {
  await ensureBuild();
  const server = await Server.open();
  try {
    const id = jobId("open-find");
    const values = drafts().map((draft, index) => ({
      shop_id: SHOP_ID,
      id: randomUUID(),
      job_id: id,
      seq: 1000 + index,
      stage: "strip",
      ...draft,
    }));
    await server.scratch.owner.sequelize.query(
      `INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, kind, account, item, place, "out", "in", unit, value, text, data)
       SELECT shop_id, id, job_id, seq, now(), (SELECT opened_by FROM jobs WHERE jobs.id = job_id), stage, kind, account, item, place, "out", "in", unit, value, text, data
         FROM jsonb_to_recordset($1::jsonb) AS r(shop_id uuid, id uuid, job_id uuid, seq int, stage text, kind text, account text, item text, place text, "out" float8, "in" float8, unit text, value float8, text text, data jsonb)`,
      { bind: [JSON.stringify(values)] },
    );
    const cookie = await server.cookiesOf("tobin");
    const figures: Figure[] = [];
    for (const stage of ["strip", "build", "find"]) {
      const ms = await medianMs(9, async () => {
        const page = await fetch(`${server.address}/jobs/${id}/${stage}`, { headers: { Cookie: cookie } });
        if (page.status !== 200) throw new Error(`the page answered ${page.status}`);
        await page.text();
      });
      figures.push({
        name: `job page of ${LONG} entries, whole, ${stage}`,
        measured: ms,
        unit: "ms",
        wanted: 300,
      });
    }
    return figures;
  } finally {
    await server.close();
  }
}

/** The longest line a field takes, and the slowest of the corpus. */
async function benchLine(): Promise<Figure[]> {
  const lines = readdirSync(CORPUS)
    .filter((name) => name.endsWith(".txt"))
    .flatMap((name) => casesOf(name, readFileSync(new URL(name, CORPUS), "utf8")).map(({ line }) => line));
  const pieces = [
    "out 3 m6x20 airbox ",
    "in bag 2 and ",
    "upper and lower hose, ",
    "98 fan on at ",
    "0,000 ",
    "'a ",
    "plug in ",
  ];
  const context = { ...jobOf("metric"), open: Array(30).fill(jobOf("metric").open).flat() };
  const times: number[] = [];
  for (const line of [...lines, ...pieces.map((piece) => piece.repeat(60).slice(0, 300))])
    times.push(await medianMs(5, () => readLine(line, context)));
  return [
    {
      name: "entry line, the slowest of the corpus and of 300-letter lines",
      measured: Math.max(...times),
      unit: "ms",
      wanted: 5,
      from: `median ${median(times).toFixed(3)} ms over ${times.length} lines`,
    },
  ];
}

async function benchBuildList(): Promise<Figure[]> {
  const entries = book(
    Array.from({ length: LONG }, (_, index) => ({
      account: "fastener" as const,
      item: `M${index}`,
      place: `bag ${index % 400}`,
      out: 2,
    })),
  );
  const ms = await medianMs(9, () => {
    const anew = [...entries];
    buildList(anew);
    stillOut(anew);
  });
  return [{ name: `build list of ${LONG} open lines`, measured: ms, unit: "ms", wanted: 100 }];
}

/** A book of weeks: its page, its build list, and the line that is typed into it. */
export async function benchLongBook(): Promise<Figure[]> {
  return [...(await benchBuildList()), ...(await benchLine()), ...(await benchPage())];
}
