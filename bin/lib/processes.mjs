import { spawn } from "node:child_process";
import { Trouble } from "./say.mjs";

const children = new Set();
const endings = [];
let stopping;

/** Something to undo when the command ends, however it ends; last in, first out. */
export const atEnd = (undo) => endings.push(undo);

export function stopAll() {
  stopping ??= (async () => {
    for (const child of children) child.kill("SIGTERM");
    for (const undo of endings.reverse()) await undo();
  })();
  return stopping;
}

export const isStopping = () => stopping !== undefined;

for (const [signal, code] of [
  ["SIGINT", 130],
  ["SIGTERM", 143],
  ["SIGHUP", 129],
]) {
  process.on(signal, () => {
    if (stopping) return;
    process.stdout.write("\nStopping.\n");
    stopAll().finally(() => process.exit(code));
  });
}

/** Starts a child in a process group of its own, so that Ctrl-C reaches it through us and in our order. */
export function start(command, args, options = {}) {
  const child = spawn(command, args, { detached: true, ...options });
  children.add(child);
  child.on("exit", () => children.delete(child));
  return child;
}

/** Runs a child to its end, with `input` as what it reads; resolves with what it printed, rejects with a Trouble that holds its last lines. */
export function finish(command, args, { quiet = true, allowFail = false, input, ...options } = {}) {
  return new Promise((resolve, reject) => {
    let output = "";
    const child = start(command, args, {
      stdio: [
        input === undefined ? "ignore" : "pipe",
        ...(quiet ? ["pipe", "pipe"] : ["inherit", "inherit"]),
      ],
      ...options,
    });
    if (input !== undefined) child.stdin.end(input);
    child.stdout?.on("data", (data) => {
      output += data;
    });
    child.stderr?.on("data", (data) => {
      output += data;
    });
    child.on("error", (error) => {
      if (allowFail) resolve({ code: 127, output: String(error) });
      else reject(new Trouble(`${command} could not be started: ${error.message}`));
    });
    child.on("exit", (code) => {
      if (code === 0 || allowFail) resolve({ code, output });
      else
        reject(
          new Trouble(
            `${[command, ...args].join(" ").slice(0, 120)} failed:\n${output.trim().split("\n").slice(-12).join("\n")}`,
          ),
        );
    });
  });
}
