import { type ChildProcess, spawn } from "node:child_process";
import { createServer } from "node:net";
import { count } from "../../core/counted.fixture.ts";
import { SHOP_ID, seedDemo } from "../../demo/seed.ts";
import { PEOPLE, type PersonKey } from "../../demo/shop.ts";
import { demoId } from "../../demo/story.ts";
import { atDesk } from "../../server/database/connection.ts";
import { enrolDevice } from "../../server/subjects/people/devices.ts";
import { makeTemplate, type Scratch, scratchDatabase } from "../../server/testing/scratch-database.ts";
import { LOOK_MS } from "./waits.ts";

/** What takes longer is cut off: nobody waits for its answer any more. */
const DONE_LOOKS = 25;

export const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const address = server.address();
      server.close(() => resolve(typeof address === "object" && address ? address.port : 0));
    });
  });

export const cookieOf = (response: Response) =>
  response.headers
    .getSetCookie()
    .map((cookie) => cookie.split(";")[0])
    .join("; ");

/**
 * The server that the file before has left to this walker: it goes on under another file's clone of the shop, which takes
 * the place and the name of the last one, and needn't be started and warmed again. It ends with the walker.
 */
let leftRunning: { name: string; port: number; process: ChildProcess | undefined } | undefined;

const SERVED_TRIES = 100;

/** Asks again for as long as a busy machine says later: that is no answer. */
async function untilServed(ask: () => Promise<Response>): Promise<Response> {
  let answer = await ask();
  for (let tries = 0; answer.status >= 500 && tries < SERVED_TRIES; tries++) {
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    answer = await ask();
  }
  if (answer.status >= 400) throw new Error(`signing in is answered by ${answer.status}`);
  return answer;
}

/** The production build on a scratch database with the made-up shop, without anybody looking at it. */
export class Server {
  private process: ChildProcess | undefined;

  private constructor(
    readonly scratch: Scratch,
    readonly port: number,
    /** What makes a browser the shop's own. */
    readonly device: string,
    private readonly isOfItsOwn: boolean,
    /** What it is told by its environment beside where the shop is. */
    private readonly settings: Record<string, string>,
  ) {}

  /** Of the made-up shop as the whole run of tests has it, or seeded here where there is none or `today` is another day. */
  static async open({
    today,
    settingsFor,
  }: {
    today?: Date;
    settingsFor?: (scratch: Scratch) => Promise<Record<string, string>>;
  } = {}): Promise<Server> {
    const seeded = today ? undefined : process.env.SEEDED_TEMPLATE;
    if (!seeded) await makeTemplate();
    const left = seeded && !settingsFor ? leftRunning : undefined;
    if (!settingsFor) leftRunning = undefined;
    const scratch = await scratchDatabase(false, seeded, left?.name);
    if (!seeded) await seedDemo(scratch.owner, scratch.told, today ?? new Date());
    const device = await atDesk(scratch.database, { shopId: SHOP_ID }, (desk) =>
      enrolDevice(desk, "bay tablet"),
    );
    const settings = (await settingsFor?.(scratch)) ?? {};
    const isOfItsOwn = !seeded || settingsFor !== undefined;
    const server = new Server(scratch, left?.port ?? (await freePort()), device, isOfItsOwn, settings);
    server.process = left?.process;
    await server.start();
    return server;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get pid(): number {
    return this.process?.pid ?? 0;
  }

  private get isUp(): boolean {
    return this.process !== undefined && this.process.exitCode === null && this.process.signalCode === null;
  }

  /** Where it is up already nothing happens: a test that failed while it was dead leaves the next one a server. */
  async start(): Promise<void> {
    if (this.isUp) return;
    const env: NodeJS.ProcessEnv = {
      ...process.env,
      APP_DATABASE_URL: this.scratch.appUrl,
      PORT: String(this.port),
      LOG_LEVEL: "fatal",
      ...this.settings,
    };
    // Said by nobody, as where it is started by hand; a web process never sees the owner's address.
    delete env.NODE_ENV;
    delete env.DATABASE_URL;
    count("servers");
    const server = spawn(process.execPath, ["bin/serve.mjs"], {
      env,
      stdio: ["ignore", "inherit", "inherit", "ipc"],
    });
    this.process = server;
    await new Promise<void>((resolve, reject) => {
      server.once("message", () => resolve());
      server.once("exit", (code) => reject(new Error(`the server ended with ${code}; is it built?`)));
    });
  }

  /** The server is told to stop, and has. */
  async stop(): Promise<void> {
    const server = this.process;
    if (!server || !this.isUp) return;
    await new Promise<void>((resolve) => {
      server.once("exit", () => resolve());
      server.kill("SIGTERM");
    });
  }

  /** The server dies, as in a power cut; `start` brings it back on the same port. */
  async kill(): Promise<void> {
    const server = this.process;
    if (!server || !this.isUp) return;
    await new Promise<void>((resolve) => {
      server.once("exit", () => resolve());
      server.kill("SIGKILL");
    });
  }

  /** The cookies of somebody who has signed in by PIN on the shop's own browser. */
  async cookiesOf(who: PersonKey): Promise<string> {
    const person = PEOPLE.find((each) => each.key === who);
    const device = cookieOf(await untilServed(() => this.ask(`/this-device/${this.device}`)));
    const answer = await untilServed(() =>
      this.ask("/sign-in", {
        method: "POST",
        headers: {
          Cookie: device,
          Origin: this.address,
          "Content-Type": "application/x-www-form-urlencoded",
        },
        body: new URLSearchParams({ personId: demoId(`person:${who}`), pin: person?.pin ?? "" }),
      }),
    );
    return `${device}; ${cookieOf(answer)}`;
  }

  private ask(path: string, given: RequestInit = {}): Promise<Response> {
    return fetch(`${this.address}${path}`, { ...given, redirect: "manual" });
  }

  /** Waits until the server has answered what the last pages asked it, so that its database isn't taken from under it. */
  private async isDone(): Promise<void> {
    const busy = `SELECT 1 FROM pg_stat_activity
      WHERE datname = current_database() AND state <> 'idle' AND pid <> pg_backend_pid()`;
    for (let look = 0; look < DONE_LOOKS; look++) {
      const [rows] = await this.scratch.owner.sequelize.query(busy);
      if (rows.length === 0) return;
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  }

  async close(): Promise<void> {
    if (this.isOfItsOwn || !this.isUp) {
      await this.kill();
      return this.scratch.drop();
    }
    await this.isDone();
    await this.scratch.leave();
    leftRunning = { name: this.scratch.name, port: this.port, process: this.process };
  }
}
