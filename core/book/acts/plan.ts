import type { Feature, Goal } from "../../trade/order/index.ts";
import type { Grade } from "../../trade/sourcing/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { ChosenPart, dataOf, MeasuredUnit, NoParts, OrderOfWork, Task, ToGet } from "../facts/index.ts";
import { at } from "./about.ts";

export interface Choice {
  item: string;
  place?: string;
  grade: Grade;
  supplier: string;
  priceCents?: number;
  guarantee?: { partDays?: number; labourDays?: number };
  because?: string;
}

const MOST_WHY = 300;

/** A part that is chosen for the job, by the name it has on the car. */
export function chosePart({
  item,
  place,
  grade,
  supplier,
  priceCents,
  guarantee,
  because,
}: Choice): EntryDraft {
  const why = because?.trim().slice(0, MOST_WHY);
  return {
    kind: "decision",
    item: item.trim().toLowerCase(),
    ...at(place?.toLowerCase()),
    text: `${grade}, ${supplier.trim()}${why ? `. ${why}` : ""}`,
    data: dataOf(ChosenPart, {
      grade,
      supplier: supplier.trim(),
      ...(priceCents !== undefined && { priceCents }),
      ...guarantee,
      ...(why && { because: why }),
    }),
  };
}

/** The job needs no parts. */
export const needsNoParts = (): EntryDraft => ({
  kind: "decision",
  item: "parts",
  text: "none needed",
  data: dataOf(NoParts, {}),
});

/** The order in which the work is done; `total` is its time in words. */
export const tookOrder = (
  goal: Goal,
  features: readonly Feature[],
  steps: readonly { id: string }[],
  total: string,
): EntryDraft => ({
  kind: "decision",
  item: "order of work",
  text: `${goal}, ${steps.length} steps, ${total}`,
  data: dataOf(OrderOfWork, { goal, features: [...features], order: steps.map(({ id }) => id) }),
});

const millimetres = ({ widthMm, heightMm, depthMm }: MeasuredUnit) =>
  [widthMm, heightMm, depthMm].map((each) => each ?? "?").join(" × ");

/** What was measured of a unit on the bench, kept for the vehicle. */
export const measuredUnit = (unit: MeasuredUnit): EntryDraft => ({
  kind: "note",
  item: "radiator and fan measured",
  text: `${millimetres(unit)} mm, for this vehicle's card`,
  data: dataOf(MeasuredUnit, unit),
});

const MOST_NAME = 60;

/** A remedy for what doesn't fit: something to do, and what it wants bought where it wants something. */
export const tookRemedy = ({
  what,
  remedy,
  minutes,
  part,
}: {
  what: string;
  remedy: string;
  minutes: number;
  part?: string | undefined;
}): EntryDraft[] => [
  { kind: "decision", item: what, text: remedy, data: dataOf(Task, { minutes: Math.round(minutes) }) },
  ...(part
    ? [
        {
          kind: "note" as const,
          item: part.slice(0, MOST_NAME),
          text: "the new part wants it, 1 to get",
          data: dataOf(ToGet, { count: 1, because: "fit" }),
        },
      ]
    : []),
];
