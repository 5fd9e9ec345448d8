import { createServer, type Socket } from "node:net";
import { seededRandom } from "../../core/kernel/chance/index.ts";
import { readRequest } from "../../core/trade/port/index.ts";
import { SCRIPTS, type Script } from "../../core/trade/thermal/index.ts";
import { CarInTheBay, type PortCar } from "./car-in-the-bay.ts";

export interface AdapterTerms {
  /** The cars that may be chosen, by a word of letters, digits and hyphens. */
  cars: Readonly<Record<string, PortCar>>;
  port?: number;
  /** How long an answer takes at least and at most, ms. */
  delayMs?: readonly [number, number];
  now?: () => number;
}

export interface Adapter {
  port: number;
  /** Breaks every connection, as a plug that is pulled does; the cars run on. */
  drop: () => void;
  close: () => Promise<void>;
}

const MOST_LETTERS = 400;
const MOST_CARS = 60;
const PACES = { least: 1, most: 60 };
/** A bus and a radio link between car and network. */
const USUAL_DELAY_MS = [12, 40] as const;
/** Warm-up as a technician does it: started cold, then held at a fast idle. */
const WARM_UP: Script = {
  ambientC: 18,
  steps: [
    { minutes: 2, rpm: 850 },
    { minutes: 90, rpm: 1500 },
  ],
};
const scripts = new Map<string, Script>([
  ["warm-up", WARM_UP],
  ...Object.entries(SCRIPTS).map(
    ([name, script]) => [name.replaceAll(/[^\w]+/g, "-").toLowerCase(), script] as [string, Script],
  ),
]);

/** `car courier faults motor,belt-slack script traffic pace 10 session 1`: pairs of a word and what it is. */
function readChoice(line: string): Map<string, string> {
  const words = line.trim().split(/\s+/);
  return new Map(
    words.flatMap((word, at) => (at % 2 === 0 ? [[word.toLowerCase(), words[at + 1] ?? ""]] : [])),
  );
}

/**
 * A diagnostic adapter on a network, with a car behind it that is simulated: it answers each line of hex with one line, “no data”
 * for what the car hasn't got and “?” for what it can't make out. A line that begins with `car` chooses car, faults, script, pace (1
 * to 60) and session; the same session again is the same car, that has run on meanwhile. `rpm 2500` holds the pedal, `rpm` lets it go.
 */
export function startAdapter({
  cars,
  port = 0,
  delayMs = USUAL_DELAY_MS,
  now = Date.now,
}: AdapterTerms): Promise<Adapter> {
  const bays = new Map<string, CarInTheBay>();
  const open = new Set<Socket>();
  const random = seededRandom(41);
  let connections = 0;

  const choose = (line: string, nowMs: number): { bay: CarInTheBay } | { trouble: string } => {
    const choice = readChoice(line);
    const name = choice.get("car") ?? "";
    const car = Object.hasOwn(cars, name) ? cars[name] : undefined;
    if (!car) return { trouble: `no car ${name.slice(0, 40)}: ${Object.keys(cars).join(", ")}` };
    const script = scripts.get(choice.get("script") ?? "warm-up");
    if (!script) return { trouble: `no such script: ${[...scripts.keys()].join(", ")}` };
    const pace = Number(choice.get("pace") ?? PACES.least);
    if (!(pace >= PACES.least && pace <= PACES.most)) return { trouble: "pace is 1 to 60" };
    const faults = (choice.get("faults") ?? "").split(",").filter((each) => each !== "" && each !== "none");
    const session = `${choice.get("session") ?? connections}`;
    const there = bays.get(session);
    if (there) return { bay: there };
    try {
      const bay = new CarInTheBay(car, faults, script, nowMs, pace, session.length);
      const [oldest] = bays.keys();
      if (bays.size >= MOST_CARS && oldest !== undefined) bays.delete(oldest);
      bays.set(session, bay);
      return { bay };
    } catch (error) {
      return { trouble: (error as Error).message };
    }
  };

  const serve = (socket: Socket) => {
    open.add(socket);
    connections++;
    let bay: CarInTheBay | undefined;
    const [first = ""] = Object.keys(cars);
    const answer = (line: string): string => {
      if (/^car\s/i.test(line)) {
        const chosen = choose(line, now());
        if ("trouble" in chosen) return chosen.trouble;
        bay = chosen.bay;
        return `ok pace ${bay.pace}`;
      }
      if (!bay) {
        const usual = choose(`car ${first}`, now());
        bay = "bay" in usual ? usual.bay : undefined;
      }
      const [, rpm] = /^rpm(?:\s+(\d{1,4}))?$/i.exec(line.trim()) ?? [undefined, undefined];
      if (/^rpm\b/i.test(line.trim())) {
        bay?.hold(rpm === undefined ? undefined : Number(rpm));
        return "ok";
      }
      const request = readRequest(line);
      if (request) return bay?.answer(request, now()) ?? "no data";
      return /^[0-9a-f\s]+$/i.test(line) ? "no data" : "?";
    };
    let text = "";
    let turn = Promise.resolve();
    socket.setEncoding("utf8");
    socket.on("data", (part: string) => {
      text += part;
      const lines = text.split("\n");
      text = lines.pop() ?? "";
      if (text.length > MOST_LETTERS || lines.length > MOST_LETTERS) return socket.destroy();
      for (const line of lines)
        turn = turn.then(async () => {
          const [least, most] = delayMs;
          await new Promise((resolve) => setTimeout(resolve, least + (most - least) * random()));
          if (!socket.destroyed) socket.write(`${answer(line)}\n`);
        });
    });
    socket.on("error", () => socket.destroy());
    socket.on("close", () => open.delete(socket));
  };

  const server = createServer(serve);
  const drop = () => {
    for (const socket of open) socket.destroy();
  };
  return new Promise((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, "127.0.0.1", () => {
      const address = server.address();
      resolve({
        port: typeof address === "object" && address ? address.port : port,
        drop,
        close: () =>
          new Promise((done) => {
            drop();
            server.close(() => done());
          }),
      });
    });
  });
}
