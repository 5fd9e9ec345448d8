import { createServer, type Server, type Socket } from "node:net";
import { vapourKPa } from "../../core/trade/coolant/index.ts";

/** A car under pressure: what it is pumped to, how it leaks, how warm it is. */
export interface PumpedCar {
  /** What the gauge shows once it is pumped, kPa. */
  pumpedKPa: number;
  /** Litres of air a minute that a leak lets out at 100 kPa gauge; 0 is tight. */
  leakLPerMinute: number;
  /** Air shut in over the coolant, L. */
  airL: number;
  coolantC: number;
  ambientC: number;
  /** Minutes in which it gets nearer the air by two thirds. */
  coolsMinutes: number;
}

export const TIGHT_COLD: PumpedCar = {
  pumpedKPa: 110,
  leakLPerMinute: 0,
  airL: 0.6,
  coolantC: 18,
  ambientC: 18,
  coolsMinutes: 80,
};

const AIR_KPA = 101.325;
const KELVIN = 273.15;
const STEP_MINUTES = 0.05;
const GLYCOL = 0.5;
const MOST_LETTERS = 200;

export interface Shown {
  gaugeKPa: number;
  coolantC: number;
}

/**
 * What the gauge and a probe beside it show so many minutes after pumping: shut-in air as an ideal gas with the coolant's vapour
 * over it, a leak that follows the root of the gauge pressure, cooling towards the air. Stepped by Euler. Not what the judge of such
 * readings reckons with.
 */
export function shownAfter(car: PumpedCar, minutes: number): Shown {
  let coolantC = car.coolantC;
  const vapour = (celsius: number) => vapourKPa("ethylene", GLYCOL, celsius);
  let air = ((car.pumpedKPa + AIR_KPA - vapour(coolantC)) * car.airL) / (coolantC + KELVIN);
  const gauge = () => (air * (coolantC + KELVIN)) / car.airL + vapour(coolantC) - AIR_KPA;
  for (let at = 0; at < minutes; at += STEP_MINUTES) {
    const over = Math.max(0, gauge());
    const gone = car.leakLPerMinute * Math.sqrt(over / 100) * STEP_MINUTES;
    air = Math.max(0, air - (gone * AIR_KPA) / (coolantC + KELVIN));
    coolantC += ((car.ambientC - coolantC) / car.coolsMinutes) * STEP_MINUTES;
  }
  return { gaugeKPa: Math.round(gauge() * 10) / 10, coolantC: Math.round(coolantC * 10) / 10 };
}

export interface Tester {
  port: number;
  close: () => Promise<void>;
}

/**
 * A pressure tester on a small network of its own: pumped as it starts, it answers each line `READ` with one line of JSON,
 * `{"gaugeKPa": …, "coolantC": …}`, and anything else with `{"trouble": …}`. `minutesOf` tells how long it has been pumped.
 */
export function startTester(
  car: PumpedCar,
  { port = 0, minutesOf }: { port?: number; minutesOf?: () => number } = {},
): Promise<Tester> {
  const from = Date.now();
  const minutes = minutesOf ?? (() => (Date.now() - from) / 60_000);
  const open = new Set<Socket>();
  const answer = (line: string) =>
    line.trim().toUpperCase() === "READ" ? shownAfter(car, minutes()) : { trouble: "say READ" };
  const server: Server = createServer((socket) => {
    open.add(socket);
    socket.setEncoding("utf8");
    let text = "";
    socket.on("data", (part: string) => {
      text += part;
      const lines = text.split("\n");
      text = lines.pop() ?? "";
      if (text.length > MOST_LETTERS) return socket.destroy();
      for (const line of lines) socket.write(`${JSON.stringify(answer(line))}\n`);
    });
    socket.on("error", () => socket.destroy());
    socket.on("close", () => open.delete(socket));
  });
  return new Promise((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, "127.0.0.1", () => {
      const address = server.address();
      resolve({
        port: typeof address === "object" && address ? address.port : port,
        close: () =>
          new Promise((done) => {
            for (const socket of open) socket.destroy();
            server.close(() => done());
          }),
      });
    });
  });
}
