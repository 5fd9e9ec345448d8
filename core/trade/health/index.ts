export { ACCOUNTS, type Account } from "./accounts.ts";
export { type Decline, declineOf, type HealthPoint, HOT_DAY, leastShareFor, spareAt } from "./decline.ts";
export { type Explained, type Explanation, explainCurve } from "./explain-curve.ts";
export { type CarFit, type FitTerms, fitCar, TOLD, type ToldFigure, type ToldName } from "./fit-car.ts";
export { AS_ITS_OWN, carAs, type Fitted } from "./fitted-figures.ts";
export {
  bookedWords,
  type CardFigures,
  type HealthLine,
  healthLines,
  MODEL_SHARE,
  shareError,
  toldFigures,
} from "./health-words.ts";
export { type OwnCar, ownCar } from "./own-car.ts";
export { type DayOutcome, type Span, type WhatIf, WORST_DAYS, whatIf } from "./what-if.ts";
