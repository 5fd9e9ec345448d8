import type { LiveSample } from "../../../core/trade/trace/index.ts";
import { readAddress } from "../../adapter/adapter-address.ts";
import { AdapterTrouble } from "../../adapter/adapter-line.ts";
import { CarReader } from "../../adapter/read-car.ts";
import { type AtDesk, atDesk, type Database } from "../../database/connection.ts";
import { answerAsks } from "./answer-asks.ts";
import type { LiveRow } from "./live-log.ts";
import { wait } from "./wait.ts";

/** A log that its reader has said nothing of for so long is another's, s. */
export const LEASE_S = 6;
const FLUSH_MS = 1000;
const AGAIN_MS = [500, 1000, 2000, 4000, 8000];
/** Nobody's engine runs longer in a bay; a line that was lost for so long isn't coming back, ms. */
const LONGEST_MS = 8 * 3_600_000;
const LOST_FOR_GOOD_MS = 30 * 60_000;
/** So many wait at most while nothing can be written, half an hour of them; so many go into one part. */
const MOST_WAITING = 9000;
const PART_SAMPLES = 600;
/** A reading that came late is no gap. */
const SHORTEST_GAP_S = 1;

/** One process's turn at one log: reads the car, writes down what it tells, and goes on past whatever breaks until it is ended or taken over. */
export class LiveRecorder {
  private readonly at: AtDesk;
  private readonly beganMs = performance.now();
  private readonly ended = new AbortController();
  private readonly sinceS: number;
  private pace: number;
  private samples: LiveSample[] = [];
  private reader: CarReader | undefined;
  private trouble: string | undefined;
  private lostSinceMs: number | undefined;
  private isStopping: boolean;
  private readAtMs = 0;

  constructor(
    database: Database,
    shopId: string,
    private readonly log: LiveRow,
    private readonly by: string,
  ) {
    this.at = (work) => atDesk(database, { shopId, personId: log.startedBy }, work);
    this.sinceS = log.ranS;
    this.pace = log.pace;
    this.isStopping = log.stopAskedAt !== null;
    this.trouble = log.trouble ?? undefined;
    if (log.lastS === null) return;
    // Whoever read it before is gone: nobody did since.
    this.lostSinceMs = this.beganMs - (this.sinceS - log.lastS / log.pace) * 1000;
    this.trouble ??= "The process that read it was gone.";
  }

  /** Reads until it is over for this process. */
  async run(): Promise<void> {
    const flushing = this.flushing();
    try {
      await this.reading();
    } finally {
      this.reader?.close();
      this.ended.abort();
      await flushing;
    }
  }

  /** Leaves it to another process. */
  leave(): void {
    this.ended.abort();
  }

  /** Seconds of the clock since the log began, by the database's clock as it was when this turn began. */
  private ranS(): number {
    return this.sinceS + (performance.now() - this.beganMs) / 1000;
  }

  private carS(): number {
    return Math.round(this.ranS() * this.pace * 100) / 100;
  }

  private async reading(): Promise<void> {
    const { signal } = this.ended;
    let tries = 0;
    while (!signal.aborted && !this.isStopping) {
      try {
        this.reader ??= await this.connected();
        const beganMs = performance.now();
        const figures = await this.reader.read();
        if (this.lostSinceMs !== undefined) this.found();
        tries = 0;
        if (this.samples.length < MOST_WAITING) this.samples.push({ s: this.carS(), ...figures });
        this.readAtMs = performance.now();
        await wait(1000 / this.log.perSecond - (performance.now() - beganMs), signal);
      } catch (error) {
        if (!(error instanceof AdapterTrouble)) throw error;
        this.lost(error.message);
        await wait(AGAIN_MS[Math.min(tries++, AGAIN_MS.length - 1)] ?? 0, signal);
      }
    }
  }

  private async connected(): Promise<CarReader> {
    const adapter = await this.at(async ({ models, transaction, shopId }) =>
      readAddress((await models.Shop.findByPk(shopId, { attributes: ["adapter"], transaction }))?.adapter),
    ).catch(() => {
      throw new AdapterTrouble("The shop's books can't be reached just now.");
    });
    if (!adapter)
      throw new AdapterTrouble(
        "The shop has no adapter any more: whoever leads it says where one is, on Shop.",
      );
    const { opening } = this.log;
    const reader = await CarReader.open({
      ...adapter,
      ...(opening && { opening: `${opening} session ${this.log.id}` }),
    });
    this.pace = reader.pace;
    return reader;
  }

  private lost(because: string): void {
    this.reader?.close();
    this.reader = undefined;
    this.lostSinceMs ??= this.readAtMs || this.beganMs;
    this.trouble = because;
  }

  /** What is read from here on comes after a gap, and says so. */
  private found(): void {
    const forS = Math.round((performance.now() - (this.lostSinceMs ?? 0)) / 1000);
    this.lostSinceMs = undefined;
    if (forS >= SHORTEST_GAP_S)
      this.samples.push({
        s: this.carS() - 0.01,
        gap: `nothing read for ${forS} s: ${this.trouble ?? ""}`.slice(0, 80),
      });
    this.trouble = undefined;
  }

  private async flushing(): Promise<void> {
    const { signal } = this.ended;
    while (!signal.aborted) {
      await wait(FLUSH_MS, signal);
      // What can't be written now is written with what comes next.
      const isOver = await this.flush().catch(() => false);
      if (isOver) this.ended.abort();
    }
    // What waits still is written by whoever read it, also where the log is another's by now.
    for (let left = Infinity; this.samples.length < left; ) {
      left = this.samples.length;
      await this.flush().catch(() => undefined);
    }
  }

  /** Writes what was read, and hears what was asked; whether the log is over, or another's. */
  private async flush(): Promise<boolean> {
    const samples = this.samples.splice(0, PART_SAMPLES);
    const lostMs = this.lostSinceMs === undefined ? 0 : performance.now() - this.lostSinceMs;
    const isOver = this.ranS() * 1000 > LONGEST_MS || lostMs > LOST_FOR_GOOD_MS;
    try {
      const isOurs = await this.at(async ({ sequelize, transaction, shopId }) => {
        const [held] = (await sequelize.query(
          `UPDATE live_log_turns SET until_at = clock_timestamp() + make_interval(secs => $3)
            WHERE log_id = $1 AND reader = $2 RETURNING log_id`,
          { bind: [this.log.id, this.by, this.ended.signal.aborted ? -1 : LEASE_S], transaction },
        )) as [unknown[], unknown];
        const [there] = (await sequelize.query(
          `UPDATE live_logs SET trouble = $2, pace = $3 WHERE id = $1 AND ended_at IS NULL RETURNING stop_asked_at AS "stopAskedAt"`,
          { bind: [this.log.id, this.trouble?.slice(0, 300) ?? null, this.pace], transaction },
        )) as [{ stopAskedAt: Date | null }[], unknown];
        // One that was thrown away takes nothing any more.
        if (there.length === 0) return false;
        if (samples.length > 0)
          await sequelize.query("INSERT INTO live_log_parts (shop_id, log_id, samples) VALUES ($1, $2, $3)", {
            bind: [shopId, this.log.id, JSON.stringify(samples)],
            transaction,
          });
        if (there[0]?.stopAskedAt || isOver) this.isStopping = true;
        if (this.isStopping && this.samples.length === 0) {
          await sequelize.query("UPDATE live_logs SET ended_at = clock_timestamp() WHERE id = $1", {
            bind: [this.log.id],
            transaction,
          });
          await sequelize.query("DELETE FROM live_log_turns WHERE log_id = $1", {
            bind: [this.log.id],
            transaction,
          });
          return false;
        }
        return held.length > 0;
      });
      // A line that breaks on them is noticed by the next reading.
      if (isOurs && this.reader && this.lostSinceMs === undefined)
        void answerAsks(this.at, this.log.id, this.reader).catch(() => undefined);
      return !isOurs;
    } catch (error) {
      this.samples.unshift(...samples);
      throw error;
    }
  }
}
