import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decodeLog } from "./decode-log.ts";

const LOG = "time s;coolant °C;fan rpm\r\n0;21,5;0\r\n1;21,6;0\r\n";

/** UTF-16 as Node writes it, and with the bytes of each pair the other way round. */
const little = (text: string) => Buffer.from(text, "utf16le");
const big = (text: string) => Buffer.from(text, "utf16le").swap16();
const marked = (mark: number[], bytes: Buffer) => Buffer.concat([Buffer.from(mark), bytes]);

describe("decodeLog", () => {
  it.each([
    ["UTF-8", Buffer.from(LOG, "utf8")],
    ["UTF-8 with its mark", marked([0xef, 0xbb, 0xbf], Buffer.from(LOG, "utf8"))],
    ["UTF-16 little end first, with its mark", marked([0xff, 0xfe], little(LOG))],
    ["UTF-16 big end first, with its mark", marked([0xfe, 0xff], big(LOG))],
    ["UTF-16 little end first, without a mark", little(LOG)],
    ["UTF-16 big end first, without a mark", big(LOG)],
    ["Latin-1, as older machines write the degree sign", Buffer.from(LOG, "latin1")],
  ])("reads a log written in %s", (_, bytes) => {
    expect(decodeLog(new Uint8Array(bytes))).toBe(LOG);
  });

  it("reads whatever text UTF-8 can hold as that text", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme", maxLength: 300 }), (text) => {
        fc.pre(!text.includes("\u0000") && !text.startsWith("\ufeff"));
        expect(decodeLog(new TextEncoder().encode(text))).toBe(text);
      }),
    );
  });

  it("makes some text of any bytes, and never throws", () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 600 }), (bytes) => {
        expect(typeof decodeLog(bytes)).toBe("string");
      }),
      { numRuns: 500 },
    );
  });
});
