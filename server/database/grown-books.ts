import pg from "pg";

const AGAIN_MS = 2000;

type Watcher = (lastSeq?: number) => void;

/**
 * Tells of books that grow, whichever process wrote to them: one connection listens for all who look at jobs through
 * this process, and is opened when the first one does. While it can't be had nobody is told; it is tried again, and
 * then everybody looks once.
 */
export class GrownBooks {
  private readonly watchers = new Map<string, Set<Watcher>>();
  private client: pg.Client | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly url: string) {}

  /**
   * Calls `onGrown` each time the job's book has grown, with the number of its last line, or without where it may have grown
   * while nobody listened; the answer ends that.
   */
  watch(shopId: string, jobId: string, onGrown: Watcher): () => void {
    const key = `${shopId} ${jobId}`;
    const here = this.watchers.get(key) ?? new Set<Watcher>();
    here.add(onGrown);
    this.watchers.set(key, here);
    if (!this.client && !this.timer) void this.listen();
    return () => {
      here.delete(onGrown);
      if (here.size === 0) this.watchers.delete(key);
    };
  }

  private async listen(): Promise<void> {
    this.timer = undefined;
    const client = new pg.Client({ connectionString: this.url, keepAlive: true });
    this.client = client;
    const again = () => {
      if (this.client !== client) return;
      this.client = undefined;
      void client.end().catch(() => undefined);
      this.timer = setTimeout(() => this.listen(), AGAIN_MS);
      this.timer.unref();
    };
    client.on("error", again);
    client.on("end", again);
    client.on("notification", ({ payload = "" }) => {
      const [shopId, jobId, seq] = payload.split(" ");
      for (const tell of this.watchers.get(`${shopId} ${jobId}`) ?? []) tell(seq ? Number(seq) : undefined);
    });
    try {
      await client.connect();
      await client.query("LISTEN book_grown");
      for (const here of this.watchers.values()) for (const tell of here) tell();
    } catch {
      again();
    }
  }

  async close(): Promise<void> {
    clearTimeout(this.timer);
    const { client } = this;
    this.client = undefined;
    await client?.end().catch(() => undefined);
  }
}
