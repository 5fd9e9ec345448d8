import { createServer, type Server } from "node:net";
import { afterEach, describe, expect, it } from "vitest";
import { pressureHold } from "../../core/trade/leaks/index.ts";
import { shownAfter, startTester, type Tester, TIGHT_COLD } from "../../stand-ins/pressure-tester/tester.ts";
import { readTester } from "./read-tester.ts";

const open: { close: () => unknown }[] = [];
afterEach(async () => {
  for (const each of open.splice(0)) await each.close();
});
const kept = (tester: Tester) => {
  open.push(tester);
  return `127.0.0.1:${tester.port}`;
};

/** A device that says whatever it likes. */
function odd(says: string): Promise<string> {
  const server: Server = createServer((socket) => {
    socket.on("error", () => undefined);
    socket.on("data", () => (says === "" ? undefined : socket.end(says)));
  });
  open.push(server);
  return new Promise((resolve) =>
    server.listen(0, "127.0.0.1", () => resolve(`127.0.0.1:${(server.address() as { port: number }).port}`)),
  );
}

describe("the stand-in tester", () => {
  it("is read over its network, time and again", async () => {
    let minutes = 0;
    const address = kept(
      await startTester({ ...TIGHT_COLD, leakLPerMinute: 0.05 }, { minutesOf: () => minutes }),
    );
    const first = await readTester(address);
    expect(first).toEqual({ gaugeKPa: 110, coolantC: 18 });
    minutes = 10;
    expect((await readTester(address)).gaugeKPa).toBeLessThan(60);
  });

  it.each([
    ["a tight cold car", TIGHT_COLD, "tight"],
    ["a tight one that cools from warm", { ...TIGHT_COLD, coolantC: 45 }, "tight"],
    ["one that seeps", { ...TIGHT_COLD, leakLPerMinute: 0.006 }, "seeping"],
    ["one that leaks", { ...TIGHT_COLD, leakLPerMinute: 0.03 }, "leaking"],
  ] as const)("%s is judged as it is", (_, car, wanted) => {
    const readings = [0, 3, 6, 9, 12, 15].map((minute) => ({ atS: minute * 60, ...shownAfter(car, minute) }));
    expect(pressureHold(readings, { capGaugeKPa: 110 }).verdict).toBe(wanted);
  });
});

describe("a tester that is none", () => {
  it.each([undefined, "", "nowhere", "127.0.0.1:0", "127.0.0.1:99999", "file:///etc/passwd:1", "a b:1"])(
    "at %j is said to be none",
    (address) =>
      expect(readTester(address)).rejects.toMatchObject({
        status: 503,
        message: expect.stringMatching(/by eye/),
      }),
  );

  it.each(["hello\n", "{}\n", '{"gaugeKPa":"110"}\n', '{"gaugeKPa":1e9}\n', "null\n", `${"x".repeat(5000)}`])(
    "that says %j is not believed",
    async (says) =>
      expect(readTester(await odd(says))).rejects.toMatchObject({
        status: 503,
        message: expect.stringMatching(/by eye/),
      }),
  );

  it("that never answers is not waited for without end", async () => {
    await expect(readTester(await odd(""))).rejects.toMatchObject({ status: 503 });
  });
});
