import type { Judgement } from "../../kernel/verdict/index.ts";
import { inRange } from "./in-range.ts";

export interface ColdSoak extends Judgement {
  outcome: "agree" | "apart" | "coldest" | "hottest" | "not-seen";
}

/** After a night sensor, intake and room agree this closely. */
const AGREE_C = 5;
/** Fewer hours and the block is still warmer than the air. */
const LEAST_HOURS = 6;
const OPEN_C = -35;
const HOTTEST_C = 125;

/**
 * Coolant sensor, intake air and room after a night, °C: they must agree within 5. −40 to 215 °C for the sensor, −40 to
 * 60 for the air, hours 0 to 1000, else `RangeError`. Under six hours it is not seen: the block is still warm.
 */
export function coldSoak({
  sensorC,
  intakeC,
  roomC,
  hours,
}: {
  sensorC: number;
  intakeC?: number;
  roomC: number;
  hours: number;
}): ColdSoak {
  inRange(sensorC, -40, 215, "°C of the sensor");
  inRange(roomC, -40, 60, "°C of the room");
  if (intakeC !== undefined) inRange(intakeC, -40, 60, "°C of the intake air");
  inRange(hours, 0, 1000, "hours of standing");
  const figures = { measured: sensorC, expected: roomC };
  if (sensorC <= OPEN_C && roomC > OPEN_C + AGREE_C)
    return {
      ...figures,
      outcome: "coldest",
      verdict: "fail",
      because: `${sensorC} °C is what an open circuit reads: sensor, plug or wire.`,
    };
  if (sensorC >= HOTTEST_C)
    return {
      ...figures,
      outcome: "hottest",
      verdict: "fail",
      because: `${sensorC} °C is what a short reads: sensor or wire.`,
    };
  if (hours < LEAST_HOURS)
    return {
      ...figures,
      outcome: "not-seen",
      verdict: "not-seen",
      because: `After ${hours} h the block may still be warm; after ${LEAST_HOURS} h and more they can be compared.`,
    };
  const air = intakeC === undefined ? [roomC] : [roomC, intakeC];
  const apart = Math.max(...air.map((celsius) => Math.abs(sensorC - celsius)));
  if (intakeC !== undefined && Math.abs(intakeC - roomC) > AGREE_C)
    return {
      ...figures,
      outcome: "not-seen",
      verdict: "not-seen",
      because: `Intake air ${intakeC} °C and room ${roomC} °C don't agree themselves: sun on the bonnet, or a wrong intake sensor. Measure again in shade.`,
    };
  const isAgreed = apart <= AGREE_C;
  return {
    ...figures,
    outcome: isAgreed ? "agree" : "apart",
    verdict: isAgreed ? "pass" : "fail",
    because: `Sensor ${sensorC} °C, room ${roomC} °C${intakeC === undefined ? "" : `, intake ${intakeC} °C`}: ${isAgreed ? "they agree" : `${apart.toFixed(0)} °C apart, where ${AGREE_C} is agreement`}.`,
  };
}
