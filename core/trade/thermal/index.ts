export {
  type FanStage,
  simulateWarmUp,
  type WarmUp,
  type WarmUpCar,
  type WarmUpEvent,
} from "./simulate-warm-up.ts";
