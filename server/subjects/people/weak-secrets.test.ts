import { describe, expect, it } from "vitest";
import { weakPassword, weakPin } from "./weak-secrets.ts";

describe("a PIN that is tried first", () => {
  it.each([
    ..."0000 1111 7777 1212 4848 123123 12341234 1010 5555555 90909090".split(" "),
    ..."1234 4321 0123 9876 7890 12345678 3456 2468 1357 8642 765432".split(" "),
    ..."1969 1987 2001 2024 31121999 01012000 19870604 24122025".split(" "),
    ..."2580 1379 147258 159753".split(" "),
  ])("%s is refused", (pin) => expect(weakPin(pin)).toMatch(/PIN/));

  it.each("4821 7395 2718 3141 1618 9053 618209 40713986".split(" "))("%s will do", (pin) =>
    expect(weakPin(pin)).toBeUndefined(),
  );

  it("leaves more than nine in ten of all four digits", () => {
    const left = Array.from({ length: 10_000 }, (_, pin) => String(pin).padStart(4, "0")).filter(
      (pin) => !weakPin(pin),
    );
    expect(left.length).toBeGreaterThan(9000);
  });
});

describe("a password that is guessed", () => {
  it.each([
    "password12",
    "qwertyuiop",
    "1234567890",
    "aaaaaaaaaaaa",
    "iloveyou123",
    "Tobin Askel",
    "tobinaskel1",
    "Lantern-Hill",
    "p@ssw0rd!!",
    "abcdefghijkl",
    "0987654321",
  ])("%s is refused", (password) =>
    expect(weakPassword(password, ["Tobin Askel", "lantern-hill"])).toMatch(/guessed/),
  );

  it.each([
    "warm-bench-lamp",
    "blaue gurke tanzt",
    "kj3h4kjh3k4",
    "merrow-lamp-left",
    `${"x".repeat(9)}Qz7 wobble gate`,
  ])("%s will do", (password) => expect(weakPassword(password, ["Tobin Askel"])).toBeUndefined());
});
