export { type GivenUp, layHolding } from "./kept-holds.ts";
export { type LaidDay, type LostHold, laidDay, type NotToday, type Ready } from "./laid-day.ts";
export type { Piece } from "./piece.ts";
export { readyAsTold, type StageWorked, summedUp, type WorkedJob } from "./summed-up.ts";
export {
  type Away,
  type DayShop,
  type DaySlip,
  type DayWork,
  type Hold,
  type ShopHours,
  type TheDay,
  theDay,
  USUAL_HOURS,
} from "./the-day.ts";
export { workLeft } from "./work-left.ts";
export { MOST_GAP_MS, type Worked, workedOn } from "./worked-on.ts";
