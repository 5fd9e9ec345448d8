import { createServer } from "node:http";
import { AggregatorRegistry, register } from "prom-client";

/**
 * The figures of all processes together, in the text format that collectors read, on a port of its own of this machine: no
 * browser of the shop is ever sent there.
 */
export function tellFigures(port, { together }) {
  const all = together ? new AggregatorRegistry() : undefined;
  const server = createServer(async (request, response) => {
    if (request.url !== "/metrics") {
      response.writeHead(404).end();
      return;
    }
    try {
      const text = await (all ? all.clusterMetrics() : register.metrics());
      response.writeHead(200, { "Content-Type": register.contentType }).end(text);
    } catch (error) {
      response.writeHead(503, { "Content-Type": "text/plain" }).end(`${error.message}\n`);
    }
  });
  server.on("error", (error) => process.stderr.write(`No figures at ${port}: ${error.message}\n`));
  server.listen(port, "127.0.0.1");
  server.unref();
}

/** One of several processes answers whoever adds the figures up. */
export const joinFigures = () => new AggregatorRegistry();
