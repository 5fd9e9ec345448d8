export { BENCH_CARS, type BenchCar, benchCar, thermalCarOf } from "./bench-cars.ts";
export { BenchRun, type BenchTerms, type Held, LONGEST_S, MOST_FAULTS } from "./bench-run.ts";
