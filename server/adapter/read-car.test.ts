import { createServer, type Socket } from "node:net";
import { afterEach, describe, expect, it } from "vitest";
import { USUAL_CAR } from "../../core/trade/thermal/index.ts";
import { startAdapter } from "../../stand-ins/scan-adapter/adapter.ts";
import { checkedAddress, readAddress } from "./adapter-address.ts";
import { CarReader } from "./read-car.ts";

const open: { close: () => unknown }[] = [];
afterEach(async () => {
  for (const each of open.splice(0)) await each.close();
});

/** A device that answers each line with whatever it likes, or does what it likes with the line. */
async function odd(answer: (line: string, socket: Socket) => string | undefined) {
  const sockets = new Set<Socket>();
  const server = createServer((socket) => {
    sockets.add(socket);
    socket.on("error", () => undefined);
    socket.setEncoding("utf8");
    socket.on("data", (line: string) => {
      const said = answer(line.trim(), socket);
      if (said !== undefined) socket.write(said);
    });
  });
  open.push({
    close: () => {
      for (const socket of sockets) socket.destroy();
      server.close();
    },
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  return { host: "127.0.0.1", port: (server.address() as { port: number }).port };
}

const SUPPORTS = "41 00 08 1A 80 00\n";
const answers: Record<string, string> = {
  "01 00": SUPPORTS,
  "01 05": "41 05 7B\n",
  "01 0C": "41 0C 1A F8\n",
};

describe("reading a car through its adapter", () => {
  it("tells coolant and revs each time, the rest in turn, and what it lacks never", async () => {
    const cars = { courier: { car: USUAL_CAR, lacks: ["volts" as const] } };
    const adapter = await startAdapter({ cars, delayMs: [0, 1] });
    open.push(adapter);
    const reader = await CarReader.open({
      host: "127.0.0.1",
      port: adapter.port,
      opening: "car courier pace 20 session 1",
    });
    open.push(reader);
    expect(reader.pace).toBe(20);
    const seen = new Set<string>();
    for (let each = 0; each < 8; each++) {
      const figures = await reader.read();
      expect(figures.coolantC).toBeGreaterThan(10);
      expect(figures.rpm).toBeGreaterThan(500);
      for (const name of Object.keys(figures)) seen.add(name);
    }
    expect([...seen].sort()).toEqual(["ambientC", "coolantC", "intakeC", "kmh", "rpm", "throttlePercent"]);
    expect(await reader.ask({ ask: "codes" })).toEqual({ is: "codes", codes: [] });
  });

  it("that isn't there is said so in a sentence", async () => {
    await expect(CarReader.open({ host: "127.0.0.1", port: 1 })).rejects.toThrow(
      /No adapter answers at 127\.0\.0\.1:1\. Is it plugged in/,
    );
  });

  it("goes on past garbage, half lines and other values, and takes none of them for a reading", async () => {
    const bad = ["hello\n", "41 05\n", "41 0C 1A F8\n", "41 05 7\n", "41 05 7B\n"];
    let at = 0;
    const reader = await CarReader.open(
      await odd((line) => (line === "01 05" ? bad[at++ % bad.length] : (answers[line] ?? "no data\n"))),
    );
    open.push(reader);
    const read: (number | undefined)[] = [];
    for (let each = 0; each < 5; each++) read.push((await reader.read()).coolantC);
    expect(read).toEqual([undefined, undefined, undefined, undefined, 83]);
  });

  it.each([
    ["answers nothing but garbage", () => "<html>502</html>\n", /can't be read: “<html>502<\/html>”/],
    ["floods", () => "41 05 7B ".repeat(500), /floods/],
    ["says twice what was asked once", () => "41 05 7B\n41 05 7B\n", /nobody asked/],
    [
      "hangs up",
      (_: string, socket: Socket) => {
        socket.end();
        return undefined;
      },
      /hung up/,
    ],
  ])("that %s is left with a sentence", async (_, answer, words) => {
    let isOpen = false;
    const address = await odd((line, socket) => {
      if (!isOpen && line.startsWith("01 00")) {
        isOpen = true;
        return SUPPORTS;
      }
      return answer(line, socket);
    });
    const reader = await CarReader.open(address);
    open.push(reader);
    const reading = async () => {
      for (let each = 0; each < 12; each++) await reader.read();
    };
    await expect(reading()).rejects.toThrow(words);
    await expect(reader.read()).rejects.toThrow();
  });

  it("that stops answering isn't waited for without end", async () => {
    await expect(CarReader.open(await odd(() => undefined))).rejects.toThrow(/stopped answering/);
  });
});

describe("where an adapter is", () => {
  it.each([
    ["10.0.0.40", 4340],
    ["adapter.bay-2", 1],
  ])("%s:%d may be", (host, port) => {
    expect(checkedAddress({ host, port })).toEqual({ host, port });
    expect(readAddress({ host, port })).toEqual({ host, port });
  });

  it.each([
    ["", 4340],
    ["http://10.0.0.40", 4340],
    ["169.254.169.254", 80],
    ["a b", 4340],
    ["10.0.0.40", 0],
    ["10.0.0.40", 70_000],
    ["10.0.0.40", 1.5],
  ])("%j:%d can't be", (host, port) => {
    expect(() => checkedAddress({ host, port })).toThrow();
  });

  it("is nowhere where a shop has said nothing that can be read", () => {
    for (const kept of [null, undefined, {}, { host: 4, port: "x" }, []])
      expect(readAddress(kept)).toBeUndefined();
  });
});
