import { IsIn, IsOptional, IsString, Length } from "class-validator";
import { Reads } from "../../core/kernel/plain/index.ts";
import {
  CARD_FIELDS,
  CARD_NAMES,
  type CardField,
  type CoolingCard,
  stagesTrouble,
} from "../../core/trade/car/index.ts";
import { readSensorPoints, type SensorPoint } from "../../core/trade/electrics/index.ts";
import { Quantity } from "../desk/quantity-field.ts";

/** Blanks at the ends and doubled ones are nobody's meaning. */
export const tidy = Reads((value) => (typeof value === "string" ? value.trim().replace(/\s+/g, " ") : value));

/** A cooling card, as it is typed. Figures may carry units; bare ones are in the shop's. Its other fields are those of `CARD_FIELDS`. */
export class CardForm {
  @IsIn(["metric", "us"], { message: "Metric or US." })
  system: "metric" | "us";
  [asked: string]: unknown;
}

function decorators(field: CardField): PropertyDecorator[] {
  switch (field.is) {
    case "figure":
      return [Quantity(field.dimension, field.least, field.most, { optional: field.open !== undefined })];
    case "stages":
      return [Quantity(field.dimension, field.least, field.most, { optional: true })];
    case "choice":
      return field.open
        ? [IsOptional(), IsIn([...field.of, ""], { message: "Choose one, or leave it open." })]
        : [
            IsIn([...field.of], {
              message: `Choose one${field.hint ? `: ${field.hint.charAt(0).toLowerCase()}${field.hint.slice(1)}` : ""}.`,
            }),
          ];
    default: {
      const letters = [IsString(), Length(0, field.most, { message: `At most ${field.most} letters.` })];
      const older = field.older === undefined ? [] : [IsOptional()];
      return field.is === "curve" ? letters : [tidy, ...older, ...letters];
    }
  }
}

for (const name of CARD_NAMES) {
  const field = CARD_FIELDS[name];
  for (const asked of [field.asked].flat())
    for (const decorate of decorators(field)) decorate(CardForm.prototype, asked);
}

/** What no field can say alone: each fan start wants its stop below it, a curve its points in order. */
export function cardTrouble(form: CardForm): Record<string, string> {
  const { fanOnC, fanOffC, sensorCurve } = CARD_FIELDS;
  const typed = (field: CardField) => [field.asked].flat().map((asked) => form[asked] as number | undefined);
  const fields = Object.fromEntries(
    stagesTrouble(typed(fanOnC), typed(fanOffC)).map(({ stage, part, words }) => [
      [(part === "on" ? fanOnC : fanOffC).asked].flat()[stage],
      words,
    ]),
  );
  const asked = String(sensorCurve.asked);
  try {
    readSensorPoints(String(form[asked] ?? ""));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    fields[asked] = error.message;
  }
  return fields;
}

/** How many stages the fan has: as many as it has starts. */
const stagesIn = (form: CardForm) =>
  [CARD_FIELDS.fanOnC.asked].flat().filter((asked) => form[asked] !== undefined).length;

function keptAs(
  field: CardField,
  form: CardForm,
): string | number | (number | null)[] | SensorPoint[] | null {
  const typed = [field.asked].flat().map((asked) => form[asked]);
  if (field.is === "stages")
    return typed.slice(0, stagesIn(form)).map((figure) => (figure as number | undefined) ?? null);
  if (field.is === "figure" && field.open) return (typed[0] as number | undefined) ?? null;
  if (field.is === "curve") return readSensorPoints(String(typed[0] ?? ""));
  if (field.is === "choice" && field.open) return (typed[0] as string) || null;
  return (typed[0] as string | number | undefined) ?? "";
}

/** The card as the books keep it. */
export const cardOf = (form: CardForm): CoolingCard =>
  Object.fromEntries(
    CARD_NAMES.map((name) => [name, keptAs(CARD_FIELDS[name], form)]),
  ) as unknown as CoolingCard;
