import { portCars } from "../demo/port-cars.ts";
import { ADAPTER } from "../demo/shop.ts";
import { startAdapter } from "../stand-ins/scan-adapter/adapter.ts";

// npm run adapter [-- port 4340]: a diagnostic adapter to log from, with the made-up shop's models behind it.
const at = process.argv.indexOf("port");
const port = at < 0 ? ADAPTER.port : Number(process.argv[at + 1]);
if (!Number.isInteger(port) || port < 0 || port > 65_535)
  throw new RangeError(`port ${process.argv[at + 1]}: 0 to 65535 can be.`);
const cars = portCars();
const adapter = await startAdapter({ cars, port });
process.stdout.write(
  `A diagnostic adapter listens at 127.0.0.1:${adapter.port}. Cars: ${Object.keys(cars).join(", ")}.\n`,
);
process.send?.(adapter.port);
process.on("disconnect", () => process.exit(0));
