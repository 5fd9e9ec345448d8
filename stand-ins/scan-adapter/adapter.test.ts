import { connect, type Socket } from "node:net";
import { afterEach, describe, expect, it } from "vitest";
import { USUAL_CAR } from "../../core/trade/thermal/index.ts";
import { type Adapter, startAdapter } from "./adapter.ts";

let nowMs = 0;
const open: { adapter: Adapter; sockets: Socket[] } = { adapter: undefined as never, sockets: [] };
afterEach(async () => {
  for (const socket of open.sockets.splice(0)) socket.destroy();
  await open.adapter.close();
});

async function started() {
  nowMs = 0;
  open.adapter = await startAdapter({
    cars: {
      courier: { car: USUAL_CAR, takesCommands: true },
      finch: { car: USUAL_CAR, lacks: ["volts", "ambientC"] },
    },
    delayMs: [0, 1],
    now: () => nowMs,
  });
  return open.adapter;
}

/** One who asks line after line. */
function plugged({ port }: Adapter) {
  const socket = connect(port, "127.0.0.1");
  open.sockets.push(socket);
  socket.setEncoding("utf8");
  socket.on("error", () => undefined);
  let text = "";
  const waiting: ((line: string) => void)[] = [];
  socket.on("data", (part: string) => {
    text += part;
    for (let end = text.indexOf("\n"); end >= 0; end = text.indexOf("\n")) {
      waiting.shift()?.(text.slice(0, end));
      text = text.slice(end + 1);
    }
  });
  return {
    socket,
    ask: (line: string) =>
      new Promise<string>((resolve) => {
        waiting.push(resolve);
        socket.write(`${line}\n`);
      }),
  };
}

const degrees = (line: string) => Number.parseInt(line.slice(6), 16) - 40;

describe("the stand-in for a diagnostic adapter", () => {
  it("answers the standard requests of the car that was chosen, line for line", async () => {
    const { ask } = plugged(await started());
    expect(await ask("car courier pace 10 session a")).toBe("ok pace 10");
    expect(degrees(await ask("01 05"))).toBeCloseTo(18, -1);
    expect(await ask("010C")).toMatch(/^41 0C [0-9A-F]{2} [0-9A-F]{2}$/);
    expect(await ask("01 0d")).toBe("41 0D 00");
    // Bits 5, 12, 13, 15, 17 and that there are more: 08 1A 80 01.
    expect(await ask("0100")).toBe("41 00 08 1A 80 01");
    expect(await ask("0120")).toBe("41 20 00 00 00 01");
    expect(await ask("0140")).toBe("41 40 44 00 00 00");
    expect(await ask("03")).toBe("43 00");
    expect(await ask("04")).toBe("44");
    expect(await ask("09 02")).toBe("no data");
    expect(await ask("what is this")).toBe("?");
  });

  it("says no data for what a car lacks, and refuses a command that it doesn't take", async () => {
    const { ask } = plugged(await started());
    await ask("car finch session b");
    expect(await ask("0142")).toBe("no data");
    expect(await ask("0140")).toBe("no data");
    expect(await ask("2F F0 01 03")).toBe("7F 2F 22");
  });

  it("runs in time with its pace, and on while nobody is plugged in", async () => {
    const adapter = await started();
    const first = plugged(adapter);
    await first.ask("car courier pace 60 session c");
    await first.ask("01 05");
    nowMs += 5_000;
    const warm = degrees(await first.ask("01 05"));
    expect(warm).toBeGreaterThan(30);
    const isClosed = new Promise((resolve) => first.socket.once("close", resolve));
    adapter.drop();
    await isClosed;
    nowMs += 5_000;
    const again = plugged(adapter);
    expect(await again.ask("car courier pace 60 session c")).toBe("ok pace 60");
    expect(degrees(await again.ask("01 05"))).toBeGreaterThan(warm + 10);
  });

  it("heeds a pedal and a command for the fan", async () => {
    const { ask } = plugged(await started());
    await ask("car courier pace 60 session d");
    await ask("rpm 2500");
    nowMs += 1_000;
    const rpm = await ask("010C");
    expect(Number.parseInt(rpm.slice(6).replace(" ", ""), 16) / 4).toBeGreaterThan(2400);
    const before = await ask("0142");
    expect(await ask("2F F0 01 03")).toBe("6F F0 01 03");
    expect(Number.parseInt((await ask("0142")).slice(6).replace(" ", ""), 16)).toBeLessThan(
      Number.parseInt(before.slice(6).replace(" ", ""), 16),
    );
    expect(await ask("2F F0 01 00")).toBe("6F F0 01 00");
  });

  it("notes what a computer notes, and sees a standing fault again after it was cleared", async () => {
    const { ask } = plugged(await started());
    await ask("car courier faults sensor-open pace 60 session e");
    nowMs += 1_000;
    expect(await ask("03")).toBe("43 01 01 18");
    expect(await ask("0105")).toBe("41 05 00");
    await ask("04");
    expect(await ask("03")).toBe("43 00");
    nowMs += 5_000;
    expect(await ask("03")).toBe("43 01 01 18");
  });

  it.each([
    ["car nobody", /no car nobody: courier, finch/],
    ["car courier faults rust", /no fault/],
    ["car courier pace 900", /1 to 60/],
    ["car courier script moon", /warm-up, .*school-queue/],
  ])("says what is wrong with “%s”", async (line, words) => {
    const { ask } = plugged(await started());
    expect(await ask(line)).toMatch(words);
  });

  it("hangs up on a flood", async () => {
    const { socket } = plugged(await started());
    const isClosed = new Promise((resolve) => socket.once("close", resolve));
    socket.write("0".repeat(50_000));
    await isClosed;
  });
});
