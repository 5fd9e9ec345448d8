import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { book, coolant } from "../book/entry/book.fixture.ts";
import type { Entry } from "../book/entry/index.ts";
import {
  ChosenPart,
  Complaint,
  CorrectionReason,
  Distance,
  dataOf,
  FACTS,
  Finding,
  Guarantee,
  guaranteeSpan,
  MixRead,
  Proof,
  SeenApart,
  Signature,
  Strength,
} from "../book/facts/index.ts";
import type { JobReport } from "./job-report.ts";
import { ownerText } from "./owner-text.ts";
import { type ReportInput, reportOf } from "./report.ts";
import { sheetOf } from "./sections.ts";

const input = (entries: readonly Entry[], more: Partial<ReportInput> = {}): ReportInput => ({
  entries,
  job: { number: 93, signedAt: null, signedBy: null, signReason: null },
  vehicle: { plate: "MRW 2417", name: "Brindle Wayfarer", vin: null, distanceKm: 184_220 },
  card: {
    capacityL: 8,
    coolantKind: "oat",
    coolantProduct: "Fellwater Red",
    coolantApproval: "Norm K3",
    targetFraction: 0.5,
    capGaugeKpa: 110,
    fanOnC: [98],
  },
  names: { tobin: "Tobin Askel", ilse: "Ilse Vantry" },
  system: "metric",
  dateOf: (iso) => iso.slice(0, 10),
  ...more,
});
const JOB: Partial<Entry>[] = [
  { stage: "ask", kind: "note", item: "complaint", text: "Hot in the queue", data: dataOf(Complaint, {}) },
  { stage: "ask", kind: "reading", item: "distance", value: 184_220, unit: "km", data: dataOf(Distance, {}) },
  {
    stage: "find",
    kind: "decision",
    item: "finding",
    text: "Radiator leaks at the seam",
    data: dataOf(Finding, { finding: "fault" }),
  },
  {
    stage: "plan",
    kind: "decision",
    item: "radiator",
    text: "maker's, Coldbrook Parts",
    data: dataOf(ChosenPart, { grade: "maker's", supplier: "Coldbrook Parts" }),
  },
  { ...coolant("drained", 5), stage: "strip" },
  { account: "part", item: "radiator", in: 1, stage: "build", by: "ilse" },
  { ...coolant("poured", 4.9), stage: "fill", by: "ilse", data: dataOf(Strength, { fraction: 0.5 }) },
  {
    stage: "build",
    kind: "note",
    item: "lower hose",
    text: "soft at its end",
    data: dataOf(SeenApart, { what: "lower hose", as: "declined" }),
  },
];
const row = (rows: readonly { name: string; words: string }[], name: string) =>
  rows.find((each) => each.name === name)?.words;

describe("the report of a job", () => {
  it("says that nobody measured, and never nought, of what ran out with the radiator", () => {
    const unmeasured = JOB.filter(({ item }) => item !== "drained");
    const radiator = { kind: "movement", account: "part", item: "radiator", out: 1, stage: "strip" } as const;
    const { coolant } = reportOf(input(book([radiator, ...unmeasured])));
    expect(row(coolant, "Out and in")).toMatch(/^not measured as it came out, 4\.9\sL in/u);
    expect(row(coolant, "Balance")).toContain("not measured");
  });

  it("says what the book says, each in its place", () => {
    const report = reportOf(input(book(JOB)));
    expect(row(report.job, "Complaint")).toBe("Hot in the queue");
    expect(row(report.job, "Found")).toBe("Radiator leaks at the seam");
    expect(row(report.job, "Distance")).toMatch(/184\s?220\skm as it came, not read at hand-over/u);
    expect(report.parts).toMatchObject([{ part: "radiator", grade: "maker's", guarantee: "not said" }]);
    expect(row(report.coolant, "Its card asks for")).toBe("OAT, Fellwater Red, Norm K3");
    expect(row(report.coolant, "Went in")).toBeUndefined();
    expect(row(report.coolant, "Out and in")).toMatch(/5\.0\sL out, 4\.9\sL in/u);
    expect(row(report.coolant, "Strength in it")).toMatch(
      /^39\s% to 54\s%, nobody has read what stayed in it/,
    );
    expect(row(report.advice, "lower hose")).toBe("advised and declined: soft at its end");
    expect(report.people).toEqual([
      { name: "Tobin Askel", words: "took it in, found the fault, planned, took apart, built" },
      { name: "Ilse Vantry", words: "built, filled and bled" },
    ]);
  });

  it("says where a job came from, of how many lines, and that an empty book came without any", () => {
    const from = { shop: "Pell Garage", number: 12, exportedAt: "2031-02-01T00:00:00Z", lines: 30 };
    const said = (given: Partial<typeof from & { readInBy: string }>) =>
      reportOf({ ...input([]), from: { ...from, ...given } }).from;
    expect(said({ readInBy: "Maren Oke" })).toMatch(
      /^Read in from Pell Garage, job 12, by Maren Oke\. Its first 30 lines were written there/,
    );
    expect(said({ lines: 1 })).toMatch(/Its first line was written there/);
    expect(said({ lines: 0 })).toMatch(/Its book was empty/);
    expect(reportOf(input([])).from).toBeUndefined();
    expect(reportOf({ ...input(book(JOB)), lastHash: "3f2a91c077de04b1ffff" }).book).toEqual({
      lines: JOB.length,
      hash: "3f2a 91c0 77de 04b1",
    });
  });

  it("is a draft until it is signed, and names what nobody wrote", () => {
    const report = reportOf(input([]));
    expect(report.signed).toBeUndefined();
    expect(row(report.job, "Complaint")).toBe("not written");
    expect(report.owner.join(" ")).not.toMatch(/We found|We fitted/);
  });

  it("never calls seen what nobody saw", () => {
    const report = reportOf(input(book(JOB)));
    expect(report.proofs.length).toBeGreaterThan(3);
    expect(report.proofs.every(({ verdict }) => verdict === "not-seen")).toBe(true);
    expect(report.owner.join(" ")).toMatch(/We could not see: .*road test/);
    const failed = book([
      ...JOB,
      {
        stage: "prove",
        kind: "test",
        item: "leaks",
        data: dataOf(Proof, { proof: "leaks-hot", verdict: "fail", because: "weeps" }),
      },
    ]);
    expect(reportOf(input(failed)).owner.join(" ")).toMatch(/Not right yet: no leak, hot/);
  });

  it("claims no strength that nobody wrote, and none that would freeze sooner", () => {
    const poured = (data?: Entry["data"]) => {
      const lines = JOB.map((line) => (line.item === "poured" ? { ...line, data } : line));
      return row(reportOf(input(book(lines as Partial<Entry>[]))).coolant, "Strength in it");
    };
    expect(poured()).toBe("not written of all that went in");
    expect(poured(dataOf(Strength, { fraction: 1 }))).toMatch(/over 60 %/);
    expect(poured(dataOf(Strength, { fraction: 1 }))).not.toMatch(/°C/);
  });

  it("tells the strength that was read, of the glycol that it is", () => {
    const read = (base: "ethylene" | "propylene") =>
      row(
        reportOf(
          input(
            book([
              ...JOB,
              { kind: "reading", item: "coolant strength", data: dataOf(MixRead, { fraction: 0.5, base }) },
            ]),
          ),
        ).coolant,
        "Strength in it",
      );
    // ASHRAE's 50 % and the core's own reference figure under a 110 kPa cap.
    expect(read("ethylene")).toMatch(/^50\s%: as ethylene glycol it freezes at −37.*boils at 131/u);
    expect(read("propylene")).toMatch(/as propylene glycol it freezes at −3[34]/u);
  });

  it("names what was poured by the names in the book alone", () => {
    const poured = (...products: (string | undefined)[]) => {
      const rest = JOB.filter(({ item }) => item !== "poured");
      const pours = products.map((product) => ({
        ...coolant("poured", 2),
        data: dataOf(Strength, { fraction: 0.5, ...(product && { product }) }),
      }));
      return row(reportOf(input(book([...rest, ...pours] as Partial<Entry>[]))).coolant, "Went in");
    };
    expect(poured("Alder Universal", "Alder Universal")).toBe("Alder Universal");
    expect(poured("Alder Universal", undefined)).toBe("Alder Universal; and some that nobody named");
    expect(poured(undefined)).toBeUndefined();
  });

  it("says of a part that was chosen and never went in that it was not fitted", () => {
    const entries = book(JOB.filter(({ account }) => account !== "part"));
    expect(reportOf(input(entries)).parts).toMatchObject([{ part: "radiator", isFitted: false }]);
    expect(reportOf(input(entries)).owner.join(" ")).not.toMatch(/We fitted/);
    expect(reportOf(input(book(JOB))).owner.join(" ")).toMatch(/We fitted: radiator/);
  });

  it("tells a strike that was taken back as a line that stands again", () => {
    const signed: Partial<Entry>[] = [
      ...JOB,
      { kind: "decision", item: "signed", text: "all there", data: dataOf(Signature, { open: [] }) },
      { kind: "note", corrects: "e8" },
      { kind: "note", corrects: "e10" },
    ];
    expect(reportOf(input(book(signed))).corrections.at(-1)).toMatchObject({
      was: "line 8 struck out",
      is: "line 8 stands again",
    });
  });

  it("tells the guarantee that was given last", () => {
    const given = (partDays: number): Partial<Entry> => ({
      kind: "decision",
      item: "guarantee",
      data: dataOf(Guarantee, { part: "e4", partDays, labourDays: 0 }),
    });
    const { parts } = reportOf(input(book([...JOB, given(365), given(730)])));
    expect(parts[0]?.guarantee).toBe("part 24 months, labour none");
  });

  it.each([
    [0, "none"],
    [1, "one day"],
    [30, "30 days"],
    [90, "3 months"],
    [365, "12 months"],
    [730, "24 months"],
    [1095, "36 months"],
  ])("says %d days of guarantee as %s", (days, words) => expect(guaranteeSpan(days)).toBe(words));

  it("names what was corrected after the signature, what was before, by whom and why", () => {
    const signed: Partial<Entry>[] = [
      ...JOB,
      { kind: "decision", item: "signed", text: "all there", data: dataOf(Signature, { open: [] }) },
      { ...coolant("poured", 4.2), by: "ilse", corrects: "e7" },
      { kind: "note", text: "jug misread", data: dataOf(CorrectionReason, { line: "e7" }) },
      { kind: "note", corrects: "e8" },
    ];
    expect(reportOf(input(book(signed))).corrections).toEqual([
      {
        wrong: 7,
        right: 10,
        was: expect.stringMatching(/4\.9/),
        is: expect.stringMatching(/4\.2/),
        by: "Ilse Vantry",
        at: expect.any(String),
        why: "jug misread",
      },
      { wrong: 8, right: 12, was: expect.stringMatching(/soft/), by: "Tobin Askel", at: expect.any(String) },
    ]);
    expect(reportOf(input(book([...JOB, { kind: "note", corrects: "e8" }]))).corrections).toEqual([]);
  });

  it("is told in the shop's units", () => {
    const text = JSON.stringify(reportOf(input(book(JOB), { system: "us" })));
    expect(text).toMatch(/5\.3\s?qt|5\.28\s?qt/u);
    expect(text).toMatch(/\d\smi /u);
    expect(text).not.toMatch(/\d\s?km\b/u);
  });

  it("stands for any book whatever, and holds no figure that is none", () => {
    const example = fc.constantFrom(...FACTS.map(({ example: entry }) => entry as Partial<Entry>));
    const any = fc.oneof(
      example,
      fc.constantFrom(...JOB),
      fc.nat(30).map((at) => ({ kind: "note", corrects: `e${at}` }) as Partial<Entry>),
    );
    fc.assert(
      fc.property(fc.array(any, { maxLength: 40 }), (lines) => {
        const text = JSON.stringify(reportOf(input(book(lines))));
        expect(text).not.toMatch(/NaN|undefined|\[object/);
      }),
      { numRuns: 150 },
    );
  });
});

describe("a report as a sheet", () => {
  const wordsOf = (report: JobReport) => JSON.stringify(sheetOf(report));

  it("says everything that the report says, once and in one wording for page and paper", () => {
    const report = reportOf(input(book(JOB)));
    const said = wordsOf(report);
    const rows = [report.vehicle, report.job, report.coolant, report.people, report.advice].flat();
    for (const { words } of rows) expect(said).toContain(JSON.stringify(words).slice(1, -1));
    for (const { words } of [...report.evidence, ...report.proofs])
      expect(said).toContain(JSON.stringify(words).slice(1, -1));
    for (const line of report.owner) expect(said).toContain(JSON.stringify(line).slice(1, -1));
    const ids = sheetOf(report).sections.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it("leaves out what nobody wrote, and tells a draft as one", () => {
    const sheet = sheetOf(
      reportOf({ ...input([]), job: { number: 1, signedAt: null, signedBy: null, signReason: null } }),
    );
    expect(sheet.under[0]).toMatch(/draft/);
    expect(sheet.sections.map(({ id }) => id)).not.toContain("parts");
    expect(sheet.sections.map(({ id }) => id)).not.toContain("open");
  });

  it("says once why it was signed with something open, and what was corrected since", () => {
    const report = reportOf(input(book(JOB)));
    const signed = { ...report, signed: "Ilse", reason: "the owner waits", open: ["one clip short"] };
    expect(wordsOf(signed)).toContain("Signed all the same, because: the owner waits");
    expect(wordsOf({ ...signed, open: [] })).toContain("Said with the signature: the owner waits");
    const corrected = {
      at: "2031-03-05T08:00:00.000Z",
      wrong: 4,
      right: 9,
      was: "4 L",
      is: "5 L",
      by: "Ilse",
      why: "misread",
    };
    expect(wordsOf({ ...signed, corrections: [corrected] })).toContain(
      "Line 4, “4 L” now reads “5 L”, by Ilse. Because: misread.",
    );
  });

  it("tells the owner by what is so, however the page words it", () => {
    const report = reportOf(input(book(JOB)));
    const told = (advice: JobReport["advice"], looks: JobReport["looks"] = []) =>
      ownerText({
        ...report,
        advice,
        looks,
        finding: undefined,
        complaint: undefined,
        moved: undefined,
      }).join(" ");
    const reworded = [
      { name: "belt", words: "we would change it", as: "advised" as const },
      { name: "hose", words: "not wished now", as: "declined" as const },
    ];
    expect(told(reworded)).toMatch(/We advise: belt soon\. You did not want now: hose\./);
    const looks = [{ what: "level again", when: "at 184 720 km", state: "open" as const }];
    expect(told([], looks)).toMatch(/Please come again: level again, at 184 720 km\./);
  });
});
