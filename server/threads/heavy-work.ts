import { existsSync } from "node:fs";
import { basename, dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { Tinypool } from "tinypool";

/** The project's own folder: the nearest that has its manifest, however deep a bundler lays what it makes. */
function projectFolder(): string {
  let folder = dirname(fileURLToPath(import.meta.url));
  while (!existsSync(join(folder, "package.json")) && folder !== dirname(folder)) folder = dirname(folder);
  return folder;
}

const ROOT = projectFolder();
/** Tests run the source, a shop what was built from it. */
const IS_BUILT = import.meta.url.endsWith(".js");
const IDLE_MS = 60_000;

/** It took longer than it may, or more memory. */
export class TooHeavy extends Error {}

/**
 * Work that would hold the server up, in a process beside it that does one thing at a time: what it takes of memory is gone
 * with it, and what goes wrong in it ends it and nothing else. `stays` keeps one ready.
 */
export function heavyWork<Task, Answer>({
  file,
  longestMs,
  mostMegabytes,
  stays = false,
}: {
  file: string;
  longestMs: number;
  mostMegabytes: number;
  stays?: boolean;
}) {
  let pool: Tinypool | undefined;
  const open = () => {
    if (pool) return pool;
    pool = new Tinypool({
      filename: IS_BUILT ? join(ROOT, "build/programs", `${basename(file, ".ts")}.js`) : join(ROOT, file),
      runtime: "child_process",
      serialization: "advanced",
      env: process.env as Record<string, string>,
      execArgv: [...(IS_BUILT ? [] : ["--import", "tsx"]), `--max-old-space-size=${mostMegabytes}`],
      minThreads: stays ? 1 : 0,
      maxThreads: 1,
      idleTimeout: IDLE_MS,
    });
    // One that is gone while nobody waits for it is started again when somebody does.
    pool.on("error", () => undefined);
    return pool;
  };
  return {
    start: (): void => void open(),
    /** @throws TooHeavy where it isn't done within `longestMs`, or within so much memory. */
    run: async (task: Task, within = longestMs): Promise<Answer> => {
      try {
        return (await open().run(task, { signal: AbortSignal.timeout(within) })) as Answer;
      } catch (error) {
        const { name, message } = error as Error;
        if (name === "AbortError" || message === "Worker exited unexpectedly") throw new TooHeavy();
        throw error;
      }
    },
  };
}
