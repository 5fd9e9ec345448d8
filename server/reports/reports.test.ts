import { execFileSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  ChosenPart,
  Complaint,
  CorrectionReason,
  dataOf,
  Guarantee,
  Proof,
} from "../../core/book/facts/index.ts";
import type { JobReport } from "../../core/report/index.ts";
import { mayClose } from "../../core/state/index.ts";
import { signJob } from "../books/jobs/sign-job.ts";
import { bookLog } from "../books/logs/book-log.ts";
import { readBook } from "../entries/read-books.ts";
import { type Scratch, scratchDatabase } from "../testing/scratch-database.ts";
import { newEntry, smallShop } from "../testing/small-shop.ts";
import { printReport } from "./print-report.ts";
import { readReport, readReportLog } from "./read-report.ts";

let scratch: Scratch;
let folder: string;
beforeAll(async () => {
  scratch = await scratchDatabase();
  folder = mkdtempSync(join(tmpdir(), "report-"));
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await scratch.drop();
});

/** What another's reader of PDF finds in it. */
function read(pdf: Uint8Array): { text: string; pages: number; size: string } {
  const path = join(folder, `${randomUUID()}.pdf`);
  writeFileSync(path, pdf);
  const text = execFileSync("pdftotext", ["-layout", path, "-"], { encoding: "utf8" });
  const info = execFileSync("pdfinfo", [path], { encoding: "utf8" });
  return {
    text,
    pages: Number(/Pages:\s+(\d+)/.exec(info)?.[1]),
    size: /Page size:\s+(.*)/.exec(info)?.[1] ?? "",
  };
}

const paper = (report: JobReport) => ({
  report,
  shopName: "Fell",
  vehicleAddress: "https://ledger.invalid/vehicles/1",
  system: "metric" as const,
  printed: "1 Mar 2031",
});

async function signedJob(name: string) {
  const shop = await smallShop(scratch, name);
  const part = newEntry({
    stage: "plan",
    kind: "decision",
    item: "radiator",
    text: "pattern, Tansy & Rudge",
    data: dataOf(ChosenPart, { grade: "pattern", supplier: "Tansy & Rudge" }),
  });
  const wrong = newEntry({ account: "coolant", item: "poured", in: 4.9, unit: "L", stage: "fill" });
  await shop.book(
    newEntry({
      stage: "ask",
      kind: "note",
      item: "complaint",
      text: "Wet under the front",
      data: dataOf(Complaint, {}),
    }),
    part,
    newEntry({ account: "coolant", item: "drained", out: 5, unit: "L" }),
    newEntry({ account: "part", item: "radiator", out: 1 }),
    newEntry({ account: "part", item: "radiator", in: 1, stage: "build" }),
    wrong,
    newEntry({
      stage: "prove",
      kind: "test",
      item: "no leak, hot",
      data: dataOf(Proof, { proof: "leaks-hot", verdict: "pass" }),
    }),
    newEntry({
      stage: "sign",
      kind: "decision",
      item: "guarantee on the radiator",
      text: "a year",
      data: dataOf(Guarantee, { part: part.id, partDays: 365, labourDays: 90 }),
    }),
  );
  await bookLog(shop.at, shop.jobId, {
    id: randomUUID(),
    name: "after.csv",
    text: readFileSync("samples/sound-one-fan.csv", "utf8"),
  });
  await shop.at(async (desk) =>
    signJob(desk, shop.jobId, {
      id: randomUUID(),
      reason: "road test tomorrow, the owner knows",
      openSeen: mayClose(await readBook(desk, shop.jobId)).because,
    }),
  );
  return { ...shop, wrong };
}

describe("a report on paper", () => {
  it("is read back whole by another's reader, its curve with it, corrections and all", async () => {
    const shop = await signedJob("Fell");
    await shop.book(
      newEntry({
        account: "coolant",
        item: "poured",
        in: 4.7,
        unit: "L",
        stage: "fill",
        corrects: shop.wrong.id,
      }),
    );
    await shop.book(
      newEntry({
        stage: "fill",
        kind: "note",
        text: "jug misread",
        data: dataOf(CorrectionReason, { line: shop.wrong.id }),
      }),
    );
    const { report, log, ...rest } = await shop.at((desk) => readReport(desk, shop.jobId));
    const content = log && (await shop.at((desk) => readReportLog(desk, log.id)));
    if (!log || !content) throw new Error("the log is not there");
    const order = {
      ...paper(report),
      shopName: rest.shopName,
      log: { name: log.name, spec: log.spec, content },
    };
    const { text, pages } = read(await printReport(order));
    expect(pages).toBeLessThanOrEqual(3);
    for (const words of [
      report.title,
      "Wet under the front",
      "pattern",
      "Tansy & Rudge",
      "part 12 months, labour 3 months",
      "5.0 L out, 4.7 L in",
      "no leak, hot and under pressure",
      "not seen",
      "road test tomorrow, the owner knows",
      "level again, and under it for trails",
      "Corrected after it was signed",
      "jug misread",
      "Fell technician",
      "minutes",
      "after.csv",
      "maker's instructions",
    ])
      expect(text.replace(/\s+/g, " "), words).toContain(words);
  });

  it("lies on the paper that is in the printer: letter where the shop counts in US units, A4 elsewhere", async () => {
    const shop = await signedJob("Sheet");
    const { report } = await shop.at((desk) => readReport(desk, shop.jobId));
    expect(read(await printReport(paper(report))).size).toMatch(/A4/);
    expect(read(await printReport({ ...paper(report), system: "us" })).size).toMatch(/letter/i);
  });

  it("prints every alphabet that a person writes a name in, and a box for a sign that no font has", async () => {
    const shop = await signedJob("Gill");
    const { report } = await shop.at((desk) => readReport(desk, shop.jobId));
    report.owner.push("Łódź, Ærøskøbing, Škoflek, Ψυγείο, вода, −40 °C ÷ ½ № „so“", "水箱");
    const { text } = read(await printReport(paper(report)));
    for (const word of ["Łódź", "Ærøskøbing", "Ψυγείο", "вода", "−40", "½", "□□"])
      expect(text).toContain(word);
  });

  it("of a very long job with very long words stays a report", async () => {
    const shop = await signedJob("Tarn");
    const { report } = await shop.at((desk) => readReport(desk, shop.jobId));
    const long = { ...report, evidence: [], open: [] as string[] };
    const words = Array.from(
      { length: 3000 },
      (_, index) => `${index} ${"Kühler".repeat(40)} ${"x".repeat(200)}`,
    );
    long.open = words;
    long.evidence = words.map((each, line) => ({ words: each, verdict: "pass" as const, line })) as never;
    const { pages } = read(await printReport(paper(long)));
    expect(pages).toBeGreaterThan(5);
  });

  it("of another shop's job is nobody's", async () => {
    const ours = await signedJob("Beck");
    const other = await smallShop(scratch, "Dale");
    await expect(other.at((desk) => readReport(desk, ours.jobId))).rejects.toMatchObject({ status: 404 });
    await expect(other.at((desk) => readReport(desk, "7"))).rejects.toMatchObject({ status: 404 });
  });
});
