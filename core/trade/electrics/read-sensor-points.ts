import { typedFigure } from "../../kernel/csv/index.ts";
import { type SensorPoint, sensorFit } from "./sensor.ts";

const PAIR = /^(-?\d+(?:[.,]\d+)?)\s*(?:°?\s*C)?\s*[:=\s]\s*(\d+(?:[.,]\d+)?)\s*(k)?\s*(?:Ω|ohms?)?$/i;
const MOST_POINTS = 12;

/**
 * Reads a sensor's curve as one types it off a card: "20: 2500; 80: 320; 100: 0.18k", °C and ohms in pairs between
 * semicolons or line ends. Nothing typed is no curve; else 2 to 12 points that make one. Throws `RangeError` that names
 * the pair that can't be read, and whatever `sensorFit` refuses.
 */
export function readSensorPoints(text: string): SensorPoint[] {
  const pairs = text
    .split(/[;\n]/)
    .map((pair) => pair.trim())
    .filter(Boolean);
  if (pairs.length === 0) return [];
  if (pairs.length > MOST_POINTS)
    throw new RangeError(`${pairs.length} points are too many; at most ${MOST_POINTS}`);
  const points = pairs.map((pair) => {
    const [, celsius, ohms, kilo] = PAIR.exec(pair) ?? [];
    if (celsius === undefined || ohms === undefined)
      throw new RangeError(`“${pair.slice(0, 30)}” is no pair of °C and ohms, such as 20: 2500`);
    const [c = Number.NaN, r = Number.NaN] = [typedFigure(celsius), typedFigure(ohms)];
    return { celsius: c, ohms: r * (kilo ? 1000 : 1) };
  });
  sensorFit(points);
  return points;
}
