import { IsInt, IsString, ValidateNested } from "class-validator";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { asClass, checkPlain, Holds, Reads } from "./index.ts";

class Base {
  @Reads((value) => `${value}b`)
  @Reads((value) => (typeof value === "string" ? value.trim() : value))
  @IsString({ message: "Letters." })
  name: string;
}
class Inner {
  @IsInt({ message: "A whole figure." })
  count: number;
}
class Whole extends Base {
  @Reads((value) => `${value}w`)
  declare name: string;

  @Holds(() => Inner)
  @ValidateNested()
  inner: Inner;
}

describe("plain data as a class", () => {
  it("is read by what stands nearest to the field first, and by the class above before its own", () => {
    expect(asClass(Base, { name: " a " }).name).toBe("ab");
    expect(asClass(Whole, { name: " a " }).name).toBe("abw");
  });

  it("holds objects of other classes, checked with their place", () => {
    expect(asClass(Whole, { name: "a", inner: { count: 2 } }).inner).toBeInstanceOf(Inner);
    expect(checkPlain(Whole, { name: "a", inner: { count: "2" } }).fields).toEqual({
      "inner.count": "A whole figure.",
    });
    expect(checkPlain(Whole, { name: "a", inner: { count: 2 } }).value?.inner.count).toBe(2);
  });

  it("takes no field that its class doesn't know, or leaves it where a newer version may have written it", () => {
    const more = { name: "a", inner: { count: 1 }, later: true };
    expect(checkPlain(Whole, more).fields).toEqual({ later: "There is no such field." });
    expect(checkPlain(Whole, more, { mayHoldMore: true }).value).not.toHaveProperty("later");
  });

  it("never takes what every object has by nature for a field, nor changes it", () => {
    for (const name of ["__proto__", "constructor", "toString", "hasOwnProperty"]) {
      const given = JSON.parse(`{"${name}":{"name":"x"},"name":"a"}`);
      const made = asClass(Base, given);
      expect(Object.getPrototypeOf(made)).toBe(Base.prototype);
      expect(checkPlain(Base, given).fields).toHaveProperty(name);
      expect(({} as { name?: string }).name).toBeUndefined();
    }
  });

  it("says something of anything at all, and throws at nothing", () => {
    fc.assert(
      fc.property(fc.anything(), (given) => {
        const { value, fields } = checkPlain(Whole, given);
        expect(value === undefined).toBe(fields !== undefined);
      }),
    );
  });
});
