import { freePort } from "./cluster.mjs";
import { Trouble } from "./say.mjs";
import { readSettings, USUAL_PORT } from "./settings.mjs";

/** The port that PORT names, or the first that is free from the usual one on; refuses one that something else has. */
export async function choosePort(command = "npm run demo") {
  if (process.env.PORT) {
    const { port } = readSettings(process.env);
    return freePort(port).catch(() => {
      throw new Trouble(
        `Port ${port} can't be used: something else has it, or it is not yours to use. Choose another: PORT=${port + 1} ${command}`,
      );
    });
  }
  for (let port = USUAL_PORT; port < USUAL_PORT + 20; port++) {
    const free = await freePort(port).catch(() => undefined);
    if (free) return free;
  }
  return freePort();
}
