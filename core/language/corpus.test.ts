import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { completeLine } from "./complete-line.ts";
import { casesOf, isSameMeaning, jobOf, meaningOf, mutteredJobOf } from "./corpus.fixture.ts";
import { readLine } from "./read-line.ts";

const FOLDER = new URL("./corpus/", import.meta.url);
const cases = readdirSync(FOLDER)
  .filter((name) => name.endsWith(".txt") && !name.startsWith("muttered"))
  .flatMap((name) => casesOf(name, readFileSync(new URL(name, FOLDER), "utf8")));
const jobFor = (file: string) => jobOf(file === "us.txt" ? "us" : "metric");
const plain = cases.filter(({ meaning }) => !meaning.startsWith("?"));
const traps = cases.filter(({ meaning }) => meaning.startsWith("?"));
const LEAST_READ = 0.95;
describe("the corpus of lines", () => {
  it("is large, in both systems", () => {
    expect(cases.length).toBeGreaterThanOrEqual(600);
    expect(plain.length).toBeGreaterThanOrEqual(400);
    expect(new Set(plain.map(({ file }) => file))).toEqual(new Set(["metric.txt", "us.txt"]));
  });

  it.each(plain)("$file: $line", ({ file, line, meaning }) => {
    const read = readLine(line, jobFor(file));
    if ("entry" in read) {
      const said = meaningOf(read);
      expect(isSameMeaning(said, meaning), `${line} was read as ${said}, and means ${meaning}`).toBe(true);
    } else expect(read.choices, `${line} is asked about`).toBeUndefined();
  });

  it("is read, nearly all of it that is plain", () => {
    const unread = plain.filter(({ file, line }) => !("entry" in readLine(line, jobFor(file))));
    expect(1 - unread.length / plain.length, unread.map(({ line }) => line).join("\n")).toBeGreaterThan(
      LEAST_READ,
    );
  });

  it.each(traps)("not: $line", ({ file, line, meaning }) => {
    const read = readLine(line, jobFor(file));
    if ("entry" in read) expect.fail(`${line} was read as ${meaningOf(read)}`);
    expect(read.at).toBeLessThanOrEqual(line.length);
    expect((read.choices?.length ?? 0) > 1).toBe(meaning === "??");
    const pointed = meaning.slice(2);
    if (meaning !== "??" && pointed) expect(line.slice(read.at)).toMatch(new RegExp(`^${pointed}`));
  });
});

describe("what is muttered at a car", () => {
  const muttered = ["muttered.txt", "muttered-us.txt"].flatMap((name) =>
    casesOf(name, readFileSync(new URL(name, FOLDER), "utf8")).map(({ file, line, meaning }) => {
      const [, stage = "find", means = ""] = /^(?:(fill|prove): )?(.*)$/.exec(meaning) ?? [];
      const job = mutteredJobOf(file === "muttered-us.txt" ? "us" : "metric", stage as "find" | "fill");
      return { file, line, means, job };
    }),
  );

  it("is large, and half of it from a US shop", () => {
    expect(muttered.length).toBeGreaterThanOrEqual(400);
    const us = muttered.filter(({ file }) => file === "muttered-us.txt");
    expect(us.length / muttered.length).toBeGreaterThan(0.4);
  });

  it.each(muttered)("$file: $line", ({ line, means, job }) => {
    const read = readLine(line, job);
    if (!("entry" in read)) return;
    const said = meaningOf(read);
    expect(isSameMeaning(said, means), `${line} was read as ${said}, and means ${means}`).toBe(true);
  });

  it("is read, nine lines of ten", () => {
    const unread = muttered.filter(({ line, job }) => !("entry" in readLine(line, job)));
    expect(unread.length / muttered.length, unread.map(({ line }) => line).join("\n")).toBeLessThan(0.1);
  });

  it("with a stranger put into it is never booked without the stranger", () => {
    // "Not on at 98" says that it is not on.
    for (const { line, job } of muttered)
      for (const stranger of ["wibble", "maybe"])
        for (const said of [`${line} ${stranger}`, `${stranger} ${line}`]) {
          const read = readLine(said, job);
          if (
            "entry" in read &&
            !/^(?:tool: |: to-get )/.test(`${read.entry.account ?? ""}: ${meaningOf(read)}`)
          )
            expect.fail(`${said} was read as ${meaningOf(read)}`);
        }
  });

  it.each([
    ["drain 52", "metric", [5.2, 52]],
    ["odo 12", "metric", [12]],
  ] as const)("what can hardly be meant is asked back: %s", (line, system, offered) => {
    const job = { ...mutteredJobOf(system, "find"), distanceTrouble: () => "It has run 82,825 km." };
    const read = readLine(line, job);
    if ("entry" in read) expect.fail(`${line} was read as ${meaningOf(read)}`);
    expect(read.choices?.map(({ entry }) => entry.out ?? entry.value)).toEqual(offered);
  });

  it("says nothing of some minutes ago where nobody says what time it is", () => {
    expect(
      readLine("1.2 bar for 15 minutes", { ...mutteredJobOf("metric", "prove"), now: undefined }),
    ).toHaveProperty("expected");
  });
});

describe("what is completed", () => {
  it("can be booked, whatever is out and whatever is typed so far", () => {
    for (const line of [...new Set(plain.map((each) => each.line))])
      for (const letters of [1, 3, 5, 8])
        for (const offer of completeLine(line.slice(0, letters), jobOf("metric")))
          expect(readLine(offer, jobOf("metric")), offer).toHaveProperty("entry");
  });
});

describe("a line that is nearly right", () => {
  const LETTERS = "abcdefghijklmnopqrstuvwxyz";

  it("with a stranger put into it is never booked without the stranger", () => {
    for (const { file, line } of plain) {
      if (/^(note|test|tested|check|kept|undo)/i.test(line) || line.includes('"') || line.includes("“"))
        continue;
      for (const stranger of ["wibble", "zzz", "qx9"]) {
        const read = readLine(`${line} ${stranger}`, jobFor(file));
        // A tool, or what broke, may be called anything, so that a word behind it is part of its name.
        if ("entry" in read)
          expect(`${read.entry.account ?? ""}: ${meaningOf(read)}`).toMatch(
            /^(?:tool: |: to-get ).*(wibble|zzz|qx9)/,
          );
      }
    }
  });

  it("with a letter gone or one too many is refused or means the same thing or another that it says back", () => {
    let booked = 0;
    for (const [index, { file, line }] of plain.entries()) {
      const at = index % Math.max(1, line.length);
      const gone = line.slice(0, at) + line.slice(at + 1);
      const more = line.slice(0, at) + LETTERS[index % 26] + line.slice(at);
      for (const slip of [gone, more]) {
        const read = readLine(slip, jobFor(file));
        if (!("entry" in read)) continue;
        booked++;
        for (const figure of [read.entry.out ?? 1, read.entry.in ?? 1, read.entry.value ?? 1])
          expect(Number.isFinite(figure)).toBe(true);
        expect(read.reading.length).toBeGreaterThan(3);
      }
    }
    expect(booked).toBeGreaterThan(0);
  });
});
