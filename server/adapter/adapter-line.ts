import { connect, type Socket } from "node:net";

/** Where a shop's adapter is on its network, and what it wants to hear first. */
export interface AdapterAddress {
  host: string;
  port: number;
  opening?: string;
}

export class AdapterTrouble extends Error {}

const CONNECT_MS = 3000;
const ANSWER_MS = 1500;
/** More than a line of hex is ever long, and more lines than anybody asked for. */
const MOST_LETTERS = 2000;

const trouble = (words: string) => new AdapterTrouble(words);

/** A line to an adapter: one asks, and it answers, line for line. Whatever breaks that rule ends the line. */
export class AdapterLine {
  private text = "";
  private waiting: { resolve: (line: string) => void; reject: (error: Error) => void } | undefined;
  private broken: AdapterTrouble | undefined;
  private turn: Promise<unknown> = Promise.resolve();

  private constructor(private readonly socket: Socket) {
    socket.setEncoding("utf8");
    socket.setNoDelay(true);
    socket.on("data", (part: string) => this.hear(part));
    socket.on("error", () => this.end(trouble("The line to the adapter broke.")));
    socket.on("close", () => this.end(trouble("The adapter hung up.")));
  }

  /** Throws AdapterTrouble where nobody answers there within three seconds. */
  static open({ host, port }: AdapterAddress): Promise<AdapterLine> {
    return new Promise((resolve, reject) => {
      const socket = connect({ host, port });
      const fail = () => {
        socket.destroy();
        reject(trouble(`No adapter answers at ${host}:${port}. Is it plugged in, and on this network?`));
      };
      const timer = setTimeout(fail, CONNECT_MS);
      const failed = () => {
        clearTimeout(timer);
        fail();
      };
      socket.once("error", failed);
      socket.once("connect", () => {
        clearTimeout(timer);
        socket.off("error", failed);
        resolve(new AdapterLine(socket));
      });
    });
  }

  /** What it answers to one line, each asked in its turn. Throws AdapterTrouble where it doesn't, or the line is broken. */
  ask(line: string): Promise<string> {
    const answer = this.turn.then(() => this.askNow(line));
    this.turn = answer.catch(() => undefined);
    return answer;
  }

  private askNow(line: string): Promise<string> {
    if (this.broken) return Promise.reject(this.broken);
    return new Promise((resolve, reject) => {
      // An answer that comes later would be taken for the next one's.
      const timer = setTimeout(() => this.end(trouble("The adapter stopped answering.")), ANSWER_MS);
      this.waiting = {
        resolve: (answer) => {
          clearTimeout(timer);
          resolve(answer);
        },
        reject: (error) => {
          clearTimeout(timer);
          reject(error);
        },
      };
      this.socket.write(`${line}\n`);
    });
  }

  close(): void {
    this.end(trouble("The line was closed."));
  }

  private hear(part: string): void {
    this.text += part;
    const end = this.text.search(/[\r\n]/);
    if (end < 0) {
      if (this.text.length > MOST_LETTERS) this.end(trouble("The adapter floods its line."));
      return;
    }
    const line = this.text.slice(0, end);
    const rest = this.text.slice(end).replace(/^[\r\n]+/, "");
    this.text = "";
    const { waiting } = this;
    this.waiting = undefined;
    if (rest.length > 0 || !waiting) this.end(trouble("The adapter says what nobody asked."), waiting);
    else waiting.resolve(line);
  }

  private end(because: AdapterTrouble, waiting = this.waiting): void {
    if (this.broken) return;
    this.broken = because;
    this.waiting = undefined;
    this.socket.destroy();
    waiting?.reject(because);
  }
}
