import { format, formatBothTemperatures, type System } from "../../kernel/units/index.ts";
import type { SensorPoint } from "../electrics/index.ts";
import { CARD_FIELDS, type CoolingCard } from "./cooling-card.ts";

const isNothing = (value: unknown) =>
  value === null || value === undefined || value === "" || (Array.isArray(value) && value.length === 0);

/** One field of a card as it is told, in the shop's units; “nothing” where it says nothing. */
export function cardWords(name: keyof CoolingCard, value: unknown, system: System): string {
  if (isNothing(value)) return "nothing";
  // What was written of a card long ago may name a field that this version has not.
  if (!Object.hasOwn(CARD_FIELDS, name)) return String(value);
  const field = CARD_FIELDS[name];
  switch (field.is) {
    case "choice":
      return field.words?.[String(value)] ?? String(value);
    case "curve":
      return (value as SensorPoint[])
        .map(({ celsius, ohms }) => `${ohms} Ω at ${format(celsius, "temperature", system)}`)
        .join(", ");
    case "text":
      return String(value);
    default:
      return (Array.isArray(value) ? value : [value])
        .map((figure) =>
          figure === null
            ? "not known"
            : field.dimension === "temperature"
              ? formatBothTemperatures(Number(figure), system)
              : format(Number(figure), field.dimension, system),
        )
        .join(" and ");
  }
}

export interface CardRow {
  name: string;
  /** What it says, a line each. */
  lines: string[];
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Fields that stand in another's row, and those that are left out where they say nothing. */
const BESIDE: ReadonlySet<keyof CoolingCard> = new Set(["coolantKind", "fanOffC"]);
const ALWAYS: ReadonlySet<keyof CoolingCard> = new Set(["circuit", "thermostatOpensC"]);

function fanRows({ fanOnC, fanOffC }: CoolingCard, system: System): CardRow[] {
  return fanOnC.map((onC, stage) => ({
    name: fanOnC.length === 1 ? "Fan" : stage === 0 ? "Low fan" : "High fan",
    lines: [
      `on ${formatBothTemperatures(onC, system)}`,
      ...[fanOffC[stage]].map((offC) =>
        typeof offC === "number"
          ? `off ${formatBothTemperatures(offC, system)}`
          : "where it stops is not known",
      ),
    ],
  }));
}

/** A card as on the inside of a bonnet, a row a thing. */
export function cardRows(card: CoolingCard, system: System): CardRow[] {
  return (Object.keys(CARD_FIELDS) as (keyof CoolingCard)[]).flatMap((name): CardRow[] => {
    if (BESIDE.has(name)) return [];
    if (name === "fanOnC") return fanRows(card, system);
    const { said, ...field } = CARD_FIELDS[name];
    if (name === "coolantProduct")
      return [
        { name: "Coolant", lines: [[card.coolantKind, card.coolantProduct].filter(Boolean).join(", ")] },
      ];
    if (name === "fanSenses" && card.fanOnC.length === 0) return [];
    if (isNothing(card[name]) && !ALWAYS.has(name)) return [];
    const open = "open" in field ? field.open : undefined;
    return [
      {
        name: capital(name === "sensorCurve" ? "sensor" : said),
        lines: [isNothing(card[name]) && open ? open : cardWords(name, card[name], system)],
      },
    ];
  });
}
