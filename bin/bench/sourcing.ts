import { compareOptions, type Option } from "../../core/trade/sourcing/index.ts";
import { type Figure, medianMs } from "./measure.ts";

const DRAWS = 20_000;

/** Five options as a shop would have them before it, with every kind of chance in them. */
const OPTIONS: Option[] = ["maker's", "pattern", "pattern", "all-metal", "used"].map((grade, index) => ({
  id: `option ${index + 1}`,
  grade: grade as Option["grade"],
  supplier: "Coldbrook Parts",
  priceCents: 9000 + 9000 * index,
  freightCents: 1900,
  days: 1 + index,
  fitHours: 3.5,
  extraHours: { least: 0, likely: 0.3 * index, most: index },
  wrongPartOdds: 0.02 * index,
  life: { medianDays: 900 + 500 * index, shape: 1.6 },
  guarantee: { partDays: 365, labourDays: 0 },
}));

/** The comparison of five options, as the worker runs it. */
export async function benchSourcing(): Promise<Figure[]> {
  const terms = { hourCents: 7200, dayOffRoadCents: 9000, horizonDays: 730, draws: DRAWS, seed: 7 };
  return [
    {
      name: `five options compared, ${DRAWS.toLocaleString("en")} draws each`,
      measured: await medianMs(15, () => compareOptions(OPTIONS, terms)),
      unit: "ms",
      wanted: 60,
    },
  ];
}
