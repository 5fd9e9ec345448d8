export { countedLevels, type SeenLevel } from "./counted-levels.ts";
export { LEVEL_COLUMNS, type ListedLevel, readLevelList } from "./level-list.ts";
export { EARLIEST_LEVEL_MS } from "./level-row.ts";
export { type Level, type LossRate, lossRate, type Rate } from "./loss-rate.ts";
export { type PressureHold, type PressureReading, pressureHold } from "./pressure-hold.ts";
export { type Advice, type Reaches, reaches } from "./reaches.ts";
export { BRIM_L, LIFTS_MM, liftOf, MOST_MISSING_L, missingByHeight } from "./tank.ts";
