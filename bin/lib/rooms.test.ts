import { readdirSync, readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { drawing, type Room, rooms } from "./rooms.ts";

describe("the house as it is drawn", () => {
  let found: Map<string, Room>;
  beforeAll(async () => {
    found = await rooms();
  });

  it("is the code's: npm run architecture", () => {
    expect(readFileSync("docs/architecture.svg", "utf8")).toBe(drawing(found));
  });

  it("has every room of the core and the server in it", () => {
    const drawn = drawing(found);
    for (const floor of ["core", "server"])
      for (const entry of readdirSync(floor, { withFileTypes: true }))
        if (entry.isDirectory() && entry.name !== "testing")
          expect(drawn).toContain(`<title>${floor}/${entry.name} asks`);
  });

  it("points down: no room asks one that asks it", () => {
    for (const [name, { asks }] of found)
      for (const other of asks.keys())
        if (other.split("/")[0] === name.split("/")[0])
          expect([...(found.get(other)?.asks.keys() ?? [])], `${name} and ${other}`).not.toContain(name);
  });

  it("is named in what is written of it", () => {
    const told = readFileSync("docs/architecture.md", "utf8");
    for (const name of [...found.keys()].filter((each) => each.startsWith("core/")))
      expect(told).toContain(`\`${name.slice("core/".length)}/\``);
  });
});
