import {
  BLOCKS,
  type PortAnswer,
  type PortRequest,
  QUANTITIES,
  QUANTITY_NAMES,
  type QuantityName,
  readAnswer,
  requestLine,
} from "../../core/trade/port/index.ts";
import { type AdapterAddress, AdapterLine, AdapterTrouble } from "./adapter-line.ts";

export type Figures = Partial<Record<QuantityName, number>>;

/** Asked each time; the others take turns, so that a slow line still tells these often. */
const EACH_TIME = ["coolantC", "rpm"] as const satisfies QuantityName[];
const IN_TURN = QUANTITY_NAMES.filter((name) => !(EACH_TIME as readonly QuantityName[]).includes(name));
/** So many readings without one figure that can be believed: this is no port of a car. */
const MOST_GARBAGE = 8;
const PACE = /\bpace (\d{1,2}(?:\.\d+)?)\b/i;

/** A car behind an adapter, as it is read time and again. */
export class CarReader {
  /** How much faster than the clock its time runs: 1 in a real car. */
  readonly pace: number;
  private turn = 0;
  private garbage = 0;

  private constructor(
    private readonly line: AdapterLine,
    private readonly has: Set<QuantityName>,
    pace: number,
  ) {
    this.pace = pace;
  }

  /** Connects and finds out what the car tells. Throws AdapterTrouble with a sentence. */
  static async open(address: AdapterAddress): Promise<CarReader> {
    const line = await AdapterLine.open(address);
    try {
      let pace = 1;
      if (address.opening) {
        const said = await line.ask(address.opening);
        if (!/^ok\b/i.test(said)) throw new AdapterTrouble(`The adapter says: ${said.slice(0, 120)}.`);
        pace = Math.min(60, Math.max(1, Number(PACE.exec(said)?.[1] ?? 1)));
      }
      return new CarReader(line, await supportedBy(line), pace);
    } catch (error) {
      line.close();
      throw error;
    }
  }

  /** One reading: what the car has of it, and can be believed. Throws AdapterTrouble where the line is lost or tells garbage only. */
  async read(): Promise<Figures> {
    const others = IN_TURN.filter((name) => this.has.has(name));
    const other = others.length > 0 ? others[this.turn++ % others.length] : undefined;
    const names = [...EACH_TIME.filter((name) => this.has.has(name)), ...(other ? [other] : [])];
    const figures: Figures = {};
    let because = "It tells none of what a cooling log needs.";
    for (const of of names) {
      const answer = await this.ask({ ask: "value", of });
      if (answer.is === "value") figures[of] = answer.value;
      else if (answer.is === "none") this.has.delete(of);
      else if (answer.is === "garbage") because = answer.because;
    }
    this.garbage = Object.keys(figures).length > 0 ? 0 : this.garbage + 1;
    if (this.garbage >= MOST_GARBAGE) {
      this.line.close();
      throw new AdapterTrouble(`The adapter answers what can't be read: ${because}`);
    }
    return figures;
  }

  async ask(request: PortRequest): Promise<PortAnswer> {
    return readAnswer(request, await this.line.ask(requestLine(request)));
  }

  close(): void {
    this.line.close();
  }
}

/** What a car says that it tells; all of it where it doesn't say. */
async function supportedBy(line: AdapterLine): Promise<Set<QuantityName>> {
  const pids = new Set<number>();
  for (const block of BLOCKS) {
    if (block !== BLOCKS[0] && !pids.has(block)) break;
    const answer = readAnswer(
      { ask: "supported", block },
      await line.ask(requestLine({ ask: "supported", block })),
    );
    if (answer.is !== "supported") break;
    for (const pid of answer.pids) pids.add(pid);
  }
  const told = QUANTITY_NAMES.filter((name) => pids.has(QUANTITIES[name].pid));
  return new Set(told.length > 0 ? told : QUANTITY_NAMES);
}
