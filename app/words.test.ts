import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { describe, expect, it } from "vitest";

/** Not shown: what people type, what an auditor reads, statements of the database. */
const UNSEEN_FILES =
  /lexicon\.ts$|language\/spoken-\w+\.ts$|\/database\/|people\/devices\.ts$|app\/routes\.ts$/;
const FOLDERS = [
  "app",
  "core/trade/diagnosis/knowledge",
  "core/trade/electrics",
  "core/book/facts",
  "core/trade/fit",
  "core/stages",
  "core/language",
  "core/trade/order",
  "core/trade/sourcing",
  "core/trade/trace",
  "server",
];
/** What is written in these is never shown: addresses, looks, names of fields. */
const UNSEEN_ATTRIBUTES = [
  "className",
  "id",
  "name",
  "type",
  "to",
  "href",
  "rel",
  "key",
  "value",
  "d",
  "viewBox",
];

interface Rule {
  say: string;
  not: string[];
}

function rules(): Rule[] {
  return readFileSync("docs/words.md", "utf8")
    .split("\n")
    .filter((row) => row.startsWith("| ") && !row.startsWith("| say"))
    .map((row) => row.split("|").map((cell) => cell.trim()))
    .map(([, say = "", , not = ""]) => ({ say, not: not.split(", ").filter(Boolean) }));
}

function filesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name);
    if (each.isDirectory()) return filesIn(path);
    return /\.tsx?$/.test(path) && !/\.test\.|fixture|corpus/.test(path) && !UNSEEN_FILES.test(path)
      ? [path]
      : [];
  });
}

const STATEMENT =
  /^\s*(?:SELECT|INSERT INTO|UPDATE|DELETE FROM|DROP|CREATE|ALTER|GRANT|REVOKE|LISTEN)\s[\w"(*$]/;
const isSentence = (text: string) =>
  !STATEMENT.test(text) && (/[a-z]{2}[ ,.]/i.test(text.trim()) || /^[A-Z][a-z]+$/.test(text.trim()));

/** The texts of a file that people may see: what stands between tags, and strings that read as words. */
function seenTexts(path: string): string[] {
  const source = ts.createSourceFile(path, readFileSync(path, "utf8"), ts.ScriptTarget.Latest, true);
  const texts: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isJsxAttribute(node) && UNSEEN_ATTRIBUTES.includes(node.name.getText(source))) return;
    if (ts.isJsxText(node)) texts.push(node.text);
    else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      if (isSentence(node.text)) texts.push(node.text);
    } else if (ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node)) {
      if (isSentence(node.text)) texts.push(node.text);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return texts;
}

const escaped = (word: string) => word.replace(/[.*+?^${}()|[\]\\/]/g, "\\$&");

describe("one word for one thing", () => {
  const texts = FOLDERS.flatMap(filesIn).flatMap((path) => seenTexts(path).map((text) => ({ path, text })));

  it("reads what the screens say", () => {
    expect(texts.length).toBeGreaterThan(1500);
    expect(rules().length).toBeGreaterThan(15);
    expect(texts.some(({ text }) => text.includes("Do the books balance?"))).toBe(true);
  });

  it.each(rules())("$say", ({ not }) => {
    const unwanted = new RegExp(`(?<![\\w-])(?:${not.map(escaped).join("|")})(?![\\w-])`, "i");
    const found = texts
      .filter(({ text }) => unwanted.test(text))
      .map(({ path, text }) => `${path}: ${text.trim()}`);
    expect(found).toEqual([]);
  });
});
