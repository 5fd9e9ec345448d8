export { BENCH_CARS, type BenchCar, benchCar, thermalCarOf } from "./bench-cars.ts";
export { BenchRun, type BenchTerms, type Held, LONGEST_S, MOST_FAULTS } from "./bench-run.ts";
export {
  applyChange,
  type BenchChange,
  type BenchSetup,
  benchOf,
  FRESH_SETUP,
  readSetup,
} from "./bench-setup.ts";
