import { IsIn, IsString, Length } from "class-validator";
import { describe, expect, it } from "vitest";
import { Reads } from "../../core/kernel/plain/index.ts";
import { asRefusal } from "../../server/database/as-refusal.ts";
import { checkForm } from "./forms.ts";
import { readForm, readJson } from "./read-body.server.ts";

let transformed = 0;
class NameForm {
  @Reads((value) => {
    transformed++;
    return value;
  })
  @IsString()
  @Length(1, 10, { message: "1 to 10 letters." })
  name: string;

  @IsIn(["a", "b"], { message: "a or b." })
  what: string;
}

const post = (type: string | undefined, body: BodyInit) =>
  new Request("http://here.invalid/", {
    method: "POST",
    body,
    headers: type ? { "Content-Type": type } : {},
  });

describe("a form", () => {
  it("is clean, or says what is wrong by field", () => {
    expect(checkForm(NameForm, { name: "Wren", what: "a" }).value).toMatchObject({ name: "Wren", what: "a" });
    expect(checkForm(NameForm, { name: "", what: "c" }).fields).toEqual({
      name: "1 to 10 letters.",
      what: "a or b.",
    });
    expect(checkForm(NameForm, {}).fields).toHaveProperty("name");
  });

  it.each([null, undefined, "text", 7, [], [1]])("is nothing readable where it is %j", (input) => {
    expect(checkForm(NameForm, input).fields).toHaveProperty("form");
  });

  it("of a field that isn't there is refused before anything is transformed", () => {
    transformed = 0;
    const many = Object.fromEntries(Array.from({ length: 60_000 }, (_, index) => [`a${index}`, "1"]));
    expect(checkForm(NameForm, { ...many, name: "x", what: "a" }).fields).toEqual({
      a0: "There is no such field.",
    });
    expect(transformed).toBe(0);
    for (const name of ["__proto__", "constructor", "toString"])
      expect(checkForm(NameForm, JSON.parse(`{"${name}":1,"name":"x","what":"a"}`)).fields).toHaveProperty(
        name,
      );
  });

  it.each(["a\u0000b", "a\ud800b", "\udc00"])("with %j in it is refused", (name) => {
    expect(checkForm(NameForm, { name, what: "a" }).fields?.form).toMatch(/sign/);
  });
});

describe("what is posted", () => {
  it("is read as what it says it is", async () => {
    expect(await readJson(post("application/json; charset=utf-8", '{"a":1}'))).toEqual({ a: 1 });
    const form = await readForm(post("application/x-www-form-urlencoded", "name=Wren&what=a"));
    expect([...form]).toEqual([
      ["name", "Wren"],
      ["what", "a"],
    ]);
    const multipart = new FormData();
    multipart.set("log", new File(["1,2"], "a.csv"));
    const request = new Request("http://here.invalid/", { method: "POST", body: multipart });
    expect(await ((await readForm(request)).get("log") as File).text()).toBe("1,2");
  });

  it.each([
    ["application/json", "{", 400],
    ["text/plain", "{}", 415],
    [undefined, "{}", 415],
  ])("as JSON of type %s and body %s is refused", async (type, body, status) => {
    await expect(readJson(post(type, body))).rejects.toMatchObject({ status });
  });

  it.each([
    ["text/plain", "a=1", 415],
    ["application/json", "{}", 415],
    ["multipart/form-data", "no boundary", 400],
    ["multipart/form-data; boundary=x", "--x\r\nnothing", 400],
    ["application/x-www-form-urlencoded", "a=1&".repeat(200), 400],
  ])("as a form of type %s is refused", async (type, body, status) => {
    await expect(readForm(post(type, body))).rejects.toMatchObject({ status });
  });
});

describe("the database's no", () => {
  it.each([
    ["22P02", 422],
    ["22021", 422],
    ["23514", 422],
    ["23505", 409],
    ["23503", 409],
    ["23001", 409],
    ["40P01", 409],
  ])("%s is a sentence", (code, status) => {
    const refusal = asRefusal({ parent: { code } });
    expect(refusal?.status).toBe(status);
    expect(refusal?.message).toMatch(/^[A-Z].+\.$/);
  });

  it.each([
    [{ parent: { code: "55P03" } }, false],
    [{ parent: { code: "57014" } }, false],
    [{ parent: { code: "57P03" } }, true],
    [{ parent: { code: "53100" } }, true],
    [{ parent: { code: "25006" } }, true],
    [{ name: "SequelizeConnectionRefusedError", parent: { code: "ECONNREFUSED" } }, true],
    [{ name: "SequelizeConnectionAcquireTimeoutError", parent: {} }, true],
    [{ name: "SequelizeDatabaseError", parent: { message: "Query read timeout" } }, true],
    [{ name: "SequelizeDatabaseError", parent: { message: "Connection terminated unexpectedly" } }, true],
  ])("%j is a later, and says what is wrong", (error, isDown) => {
    const refusal = asRefusal(error);
    expect(refusal).toMatchObject({ status: 503, isDown });
    expect(refusal?.againInS).toBeGreaterThan(0);
    expect(refusal?.message).toMatch(/^[A-Z].+\.$/);
  });

  it.each([
    undefined,
    null,
    {},
    new Error("x"),
    { code: "ECONNREFUSED" },
    { message: "Query read timeout" },
    { code: "constructor" },
  ])("of %j is none: a fault stays one", (error) => expect(asRefusal(error)).toBeUndefined());
});
