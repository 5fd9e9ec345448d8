import { acceptedPart, chosePart, needsNoParts, refusedPart, tookOrder } from "../../book/acts/index.ts";
import { factsOf, lastFact, NoParts, OrderOfWork } from "../../book/facts/index.ts";
import { type PartState, partKind } from "../../book/parts/index.ts";
import { findingOf } from "../../state/index.ts";
import { type Goal, stepsFor, timeWords } from "../../trade/order/index.ts";
import { GRADES, type Grade } from "../../trade/sourcing/index.ts";
import { looksFor } from "../plan/index.ts";
import { type Act, ALONE, type Choice } from "./act.ts";
import type { Offer, Room } from "./room.ts";

/** More than that nobody compares standing at a car; the rest is on Plan. */
const MOST_OFFERS = 4;
const MOST_WHY = 300;
const isGrade = (grade: string): grade is Grade => (GRADES as readonly string[]).includes(grade);

const offerWords = ({ grade, supplier, priceCents, days }: Offer, money?: (cents: number) => string) =>
  [
    `${grade}, ${supplier}`,
    priceCents !== undefined && money ? money(priceCents) : "",
    days ? `in ${days} ${days === 1 ? "day" : "days"}` : "",
  ]
    .filter(Boolean)
    .join(", ");

const choiceOf = (
  offer: Offer & { grade: Grade },
  index: number,
  money?: (cents: number) => string,
): Choice => ({
  id: `offer ${index}`,
  words: `${offer.item}: ${offerWords(offer, money)}`,
  lines: () => {
    const { item, grade, supplier, priceCents, partDays, labourDays } = offer;
    return [
      {
        ...chosePart({
          item,
          grade,
          supplier,
          ...(priceCents !== undefined && { priceCents }),
          guarantee: {
            ...(partDays !== undefined && { partDays }),
            ...(labourDays !== undefined && { labourDays }),
          },
        }),
        stage: "plan",
      },
    ];
  },
});

const sound = (offers: readonly Offer[] = []) =>
  offers.flatMap((offer) => (isGrade(offer.grade) ? [{ ...offer, grade: offer.grade }] : []));

/** What goes in, where a fault was found and nobody has said. */
function chooseAct({ entries, parts, terms }: Room): Act[] {
  const finding = findingOf(entries);
  if (finding?.kind !== "fault" || parts.length > 0 || factsOf(entries, NoParts).length > 0) return [];
  const offers = sound(terms.offers).slice(0, MOST_OFFERS);
  return [
    {
      id: "plan:part",
      stage: "plan",
      what: `What goes in for it: ${finding.words}?`,
      why: "By price, days and how each has held here; the whole comparison stands on Plan.",
      minutes: 5,
      needs: ALONE,
      mustChoose: true,
      choices: [
        ...offers.map((offer, index) => choiceOf(offer, index, terms.money)),
        { id: "none", words: "No parts needed", lines: () => [{ ...needsNoParts(), stage: "plan" }] },
      ],
    },
  ];
}

const boxAct = (part: PartState): Act => ({
  id: `plan:box:${part.entryId}`,
  stage: "plan",
  what: `Look the ${part.words} over, out of its box`,
  why: `Before the car is opened for it: ${looksFor(part.item).join(", ")}.`,
  minutes: 5,
  needs: ALONE,
  caution: "Don't open the car before the part is in hand and out of its box: dents, bent pegs, wrong year.",
  field: { kind: "words", label: "What is wrong with it", most: MOST_WHY },
  choices: [
    {
      id: "accept",
      words: "All of that is right: accept it",
      lines: () => [{ ...acceptedPart(part, looksFor(part.item)), stage: "plan" }],
    },
    {
      id: "refuse",
      words: "Refuse it",
      wants: true,
      lines: ({ words = "" }) => [{ ...refusedPart(part, words.trim()), stage: "plan" }],
    },
  ],
});

/** One that was refused: another in its place, or none any more. */
const instead = (part: PartState, { terms }: Room): Act => ({
  id: `plan:instead:${part.entryId}`,
  stage: "plan",
  what: `Choose another ${part.words} in the place of the refused one`,
  why: part.refused?.because ?? "It was refused.",
  minutes: 3,
  needs: ALONE,
  mustChoose: true,
  choices: [
    ...sound(terms.offers)
      .filter(({ item }) => item.toLowerCase() === part.item.toLowerCase())
      .slice(0, MOST_OFFERS)
      .map((offer, index) => choiceOf(offer, index, terms.money)),
    {
      id: "not wanted",
      words: "It is not wanted any more",
      lines: () => [{ kind: "decision", corrects: part.entryId, stage: "plan" }],
    },
  ],
});

const SWITCH = /\b(?:switch|sensor)\b/i;
const NOT_IN_THE_WAY = /\b(?:plug|relay|fuse|cap|thermostat|hose|belt)\b/i;

/** What has to come out for a part: a motor's order is a fan's, and for a relay nothing is taken apart. */
export function goalFor(item: string): Goal | undefined {
  const kind = partKind(item);
  if (kind === "fan") return "fan only";
  if (kind === "radiator" || kind === "cooler") return "radiator";
  return SWITCH.test(item) && !NOT_IN_THE_WAY.test(item) ? "switch only" : undefined;
}

/** What has to come out for all the parts of a job: the most of it. */
export function goalOf(parts: readonly { item: string }[]): Goal | undefined {
  const goals = parts.flatMap(({ item }) => goalFor(item) ?? []);
  return (["radiator", "fan only", "switch only"] as const).find((each) => goals.includes(each));
}

/** The order in which it comes apart, by what was chosen; nothing where nothing has to. */
function orderAct({ entries, parts, terms, wasOpened }: Room): Act[] {
  // Whoever has begun without one goes on without one.
  if (wasOpened || lastFact(entries, OrderOfWork)) return [];
  const goal = goalOf(parts);
  if (!goal) return [];
  const features = terms.features ?? [];
  const steps = stepsFor(goal, features);
  const total = timeWords(steps);
  return [
    {
      id: "plan:order",
      stage: "plan",
      what: `Take the order of work: ${goal}, ${steps.length} steps`,
      why: `${total}${features.length > 0 ? `; ${features.join(", ")}, as on the last job on this model` : ""}. What this car has is changed on Plan.`,
      minutes: 2,
      needs: ALONE,
      choices: [
        {
          id: "take",
          words: "Take this order",
          lines: () => [{ ...tookOrder(goal, features, steps, total), stage: "plan" }],
        },
      ],
    },
  ];
}

export const planActs = (room: Room): Act[] => [
  ...chooseAct(room),
  ...room.parts
    .filter(({ checked }) => !checked)
    .map((part) => (part.refused ? instead(part, room) : boxAct(part))),
  ...orderAct(room),
];
