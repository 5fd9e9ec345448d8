import { ROOT } from "./paths.mjs";
import { keepRunning } from "./watched.mjs";

/** Serves the build in a process of its own that is started again where it falls; resolves with its code once it is over. */
export function serveWeb(environment, onFirstReady) {
  let isUp = false;
  const env = { LOG_LEVEL: "warn", ...process.env, NODE_ENV: "production", ...environment };
  // Web processes never see the owner's address.
  delete env.DATABASE_URL;
  return keepRunning("The server", process.execPath, ["bin/serve.mjs"], {
    cwd: ROOT,
    env,
    stdio: ["ignore", "inherit", "inherit", "ipc"],
    isUp: () => isUp,
    onStart: (server) =>
      server.on("message", () => {
        if (!isUp) onFirstReady();
        isUp = true;
      }),
  });
}
