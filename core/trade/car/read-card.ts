import { unwritable } from "../../kernel/text/index.ts";
import { type SensorPoint, sensorFit } from "../electrics/index.ts";
import { CARD_FIELDS, CARD_NAMES, type CardField, type CoolingCard } from "./cooling-card.ts";
import { stagesTrouble } from "./stages-trouble.ts";

const COLDEST_C = -40;
const HOTTEST_C = 160;
const MOST_OHMS = 1e7;
const MOST_STAGES = 2;

function figure(value: unknown, what: string, least: number, most: number): number {
  if (typeof value !== "number" || !(value >= least && value <= most))
    throw new RangeError(`${what} is not a figure from ${least} to ${most}.`);
  return value;
}

function curveOf(value: unknown, what: string, mostPoints: number): SensorPoint[] {
  if (!Array.isArray(value) || value.length > mostPoints)
    throw new RangeError(`${what} is not a list of at most ${mostPoints} points.`);
  const curve = value.map((point: Partial<SensorPoint> | null) => ({
    celsius: figure(point?.celsius, "the curve's °C", COLDEST_C, HOTTEST_C),
    ohms: figure(point?.ohms, "the curve's ohms", 1, MOST_OHMS),
  }));
  if (curve.length > 0) sensorFit(curve);
  return curve;
}

function readField(field: CardField, value: unknown): unknown {
  const what = `the card's “${field.said}”`;
  switch (field.is) {
    case "figure":
      if (field.open && (value === null || value === undefined)) return null;
      return figure(value, what, field.least, field.most);
    case "text":
      if (typeof value !== "string" || value.length > field.most)
        throw new RangeError(`${what} is not a text of at most ${field.most} letters.`);
      if (unwritable(value)) throw new RangeError(`${what}: ${unwritable(value)}`);
      return value;
    case "choice":
      if (field.open && (value === null || value === undefined)) return null;
      if (!field.of.includes(String(value)))
        throw new RangeError(
          `${what} is “${String(value).slice(0, 40)}”, and one of ${field.of.join(", ")} is wanted.`,
        );
      return value;
    case "stages":
      if (!Array.isArray(value) || value.length > MOST_STAGES)
        throw new RangeError(`${what} is not a list of one or two temperatures.`);
      return value.map((each) =>
        field.open && each === null ? null : figure(each, what, field.least, field.most),
      );
    case "curve":
      return curveOf(value, what, field.mostPoints);
  }
}

/**
 * A card from plain data that somebody else wrote, its fields and no others; fields that older files don't have read as they
 * were then. Throws `RangeError` with the field where it isn't one.
 */
export function readCard(plain: Readonly<Record<string, unknown>>): CoolingCard {
  const card = Object.fromEntries(
    CARD_NAMES.map((name) => [name, readField(CARD_FIELDS[name], plain[name] ?? CARD_FIELDS[name].older)]),
  ) as unknown as CoolingCard;
  if (card.fanOnC.length !== card.fanOffC.length)
    throw new RangeError(
      "the card's fan: Start and stop go together, with null for a stop that nobody knows.",
    );
  const [trouble] = stagesTrouble(card.fanOnC, card.fanOffC);
  if (trouble)
    throw new RangeError(`the card's ${trouble.stage === 0 ? "fan" : "high fan"}: ${trouble.words}`);
  return card;
}
