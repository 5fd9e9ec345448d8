import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, jobId } from "./support/application.ts";
import type { ViewPage } from "./support/page.ts";
import { allSent, bookLine, bookWords, openTool, seen, tap, write } from "./support/walk.ts";

let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("dez");
});
afterAll(() => application.close());

describe("the front desk", () => {
  it("writes the complaint down, what is waited for and a promise, and is offered nothing of the car", async () => {
    await application.go(page, `/jobs/${jobId("open-ask")}/ask`);
    await write(page, "Complaint, in their words", "Steams on the pass since Sunday");
    expect(await page.$$eval("h3", (all) => all.map((each) => each.id))).not.toContain("level");
    await tap(page, "Book it");
    await allSent(page);
    expect((await bookWords(page)).at(-1)).toMatch(/Steams on the pass since Sunday/);
    await page.click("header button[aria-haspopup=dialog]");
    await tap(page, "the owner");
    await write(page, "For what", "rings back at noon");
    await page.$$eval('[role="dialog"] button', (all) =>
      all.find((each) => each.textContent === "Book it")?.click(),
    );
    await allSent(page);
    expect((await bookWords(page)).at(-1)).toMatch(/rings back at noon/);
    await application.go(page, `/jobs/${jobId("open-ask")}/sign`);
    await openTool(page, "To look at again");
    await tap(page, "Add one");
    await write(page, "What to look at", "level after the first week");
    await page.$eval('input[type="date"]', (field) => {
      const input = field as HTMLInputElement;
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set?.call(input, "2099-03-06");
      input.dispatchEvent(new Event("input", { bubbles: true }));
    });
    await tap(page, "Promise it");
    await allSent(page);
    expect((await bookWords(page)).at(-1)).toMatch(/level after the first week/);
  });

  it("keeps a note by the entry line, and is told whose the rest is, which stays typed", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/build`);
    const before = await bookWords(page);
    await bookLine(page, "note owner wants the old radiator back");
    await allSent(page);
    expect((await bookWords(page)).at(-1)).toMatch(/old radiator back/);
    await page.focus("[data-entry-line]");
    await page.type("[data-entry-line]", "out 3 m6x20 bag 2");
    await page.keyboard.press("Enter");
    await seen(page, "technicians' to write");
    expect((await bookWords(page)).length).toBe(before.length + 1);
    expect(await page.$eval("[data-entry-line]", (line) => (line as HTMLInputElement).value)).toMatch(
      /m6x20/,
    );
  });

  it("is refused by the server where a program sends what is not its to write", async () => {
    const send = (entry: object) =>
      page.evaluate(
        async (path, sent) => {
          const answer = await fetch(path, {
            method: "POST",
            headers: { "Content-Type": "application/json" },
            body: JSON.stringify({
              entries: [{ id: crypto.randomUUID(), stage: "strip", at: new Date().toISOString(), ...sent }],
            }),
          });
          return { status: answer.status, said: await answer.text() };
        },
        `/jobs/${jobId("open-build")}/entries`,
        entry,
      );
    const refused = await send({ kind: "movement", account: "coolant", item: "drained", out: 2 });
    expect(refused.status).toBe(403);
    expect(refused.said).toMatch(/technicians' to write/);
    expect((await send({ kind: "note", text: "rang the owner" })).status).toBe(200);
  });
});
