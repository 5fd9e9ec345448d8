import { startTester, TIGHT_COLD } from "./tester.ts";

// npm run stand-in:pressure-tester [-- leak 0.05] [port 4330]: a tester to try the pressure test with.
const given = process.argv.slice(2);
const figure = (name: string, usual: number): number => {
  const at = given.indexOf(name);
  const value = at < 0 ? usual : Number(given[at + 1]);
  if (!Number.isFinite(value) || value < 0)
    throw new RangeError(`${name} ${given[at + 1]} is no figure from 0 up`);
  return value;
};

const USUAL_PORT = 4330;
const car = {
  ...TIGHT_COLD,
  leakLPerMinute: figure("leak", 0),
  coolantC: figure("coolant", TIGHT_COLD.coolantC),
};
const { port } = await startTester(car, { port: figure("port", USUAL_PORT) });
process.stdout.write(
  `Pumped to ${car.pumpedKPa} kPa. Start the program with PRESSURE_TESTER=127.0.0.1:${port} and read it on Prove.\n`,
);
