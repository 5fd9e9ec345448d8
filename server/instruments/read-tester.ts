import { connect } from "node:net";
import { Refusal } from "../desk/refusal.ts";

const LONGEST_MS = 3000;
const MOST_LETTERS = 400;
const ADDRESS = /^([\w.-]{1,120}):(\d{1,5})$/;

export interface TesterRead {
  gaugeKPa: number;
  /** Absent where it has no probe. */
  coolantC?: number;
}

const no = (message: string) => new Refusal({ status: 503, message });

function readAnswer(line: string): TesterRead {
  let said: unknown;
  try {
    said = JSON.parse(line);
  } catch {
    said = undefined;
  }
  const { gaugeKPa, coolantC } = (said && typeof said === "object" ? said : {}) as Record<string, unknown>;
  const isRead = (value: unknown, least: number, most: number): value is number =>
    typeof value === "number" && value >= least && value <= most;
  if (!isRead(gaugeKPa, -100, 400))
    throw no("The tester answers something that is no pressure. Read its gauge by eye.");
  return { gaugeKPa, ...(isRead(coolantC, -40, 150) ? { coolantC } : {}) };
}

/** One line asked, one line answered; nothing is waited for longer than a person looks at a gauge. */
function ask(host: string, port: number): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = connect({ host, port });
    socket.setEncoding("utf8");
    let text = "";
    const fail = () => {
      socket.destroy();
      reject(
        no("The tester doesn't answer. Is it on, and on this network? Read its gauge by eye meanwhile."),
      );
    };
    const timer = setTimeout(fail, LONGEST_MS);
    socket.on("connect", () => socket.write("READ\n"));
    socket.on("data", (part: string) => {
      text += part;
      const end = text.indexOf("\n");
      if (end < 0 && text.length < MOST_LETTERS) return;
      clearTimeout(timer);
      socket.destroy();
      resolve(text.slice(0, end < 0 ? MOST_LETTERS : end));
    });
    const give = () => {
      clearTimeout(timer);
      fail();
    };
    socket.on("error", give);
    socket.on("end", give);
  });
}

/** What the shop's pressure tester shows now, kPa and °C; `address` as host:port. */
export async function readTester(address: string | undefined): Promise<TesterRead> {
  const [, host, port] = ADDRESS.exec(address ?? "") ?? [];
  if (!host || !port || Number(port) < 1 || Number(port) > 65_535)
    throw no("No tester is on this shop's network. Read the gauge by eye and type what it shows.");
  return readAnswer(await ask(host, Number(port)));
}
