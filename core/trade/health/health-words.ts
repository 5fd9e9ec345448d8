import type { CarFit, ToldFigure, ToldName } from "./fit-car.ts";

/** What is known of a car by its card, for what is said beside a figure. */
export interface CardFigures {
  opensC?: number | null;
  onC?: number;
  offC?: number | null;
}

export interface HealthLine {
  of: ToldName;
  words: string;
  /** False where the log doesn't tell it. */
  isTold: boolean;
  /** True where it is so far from what it was, or from the card, that chance doesn't explain it. */
  isOff: boolean;
}

/** What a model of a car, made from one log, is out by when it is held against another, of the figure itself: measured on cars of other equations. */
export const MODEL_SHARE = { passes: 0.08, air: 0.12 };
/** So many standard errors are more than chance; a figure of the card is worth no more than its tolerance. */
const BEYOND = 2;
const CARD_C = 3;
/** A sensor may be so far out and still serve, °C. */
const SENSOR_C = 3;

const percent = (share: number) => Math.round(share * 100);
const celsius = (value: number) => (Math.round(value * 10) / 10).toFixed(1);

/** A share of what it was with all that it may be out by, for a car known from one log. */
export const shareError = (
  of: keyof typeof MODEL_SHARE,
  { value, error }: { value: number; error: number },
): number => Math.hypot(error, MODEL_SHARE[of] * value);

type Told = Extract<ToldFigure, { isTold: true }>;

function ofShare(
  of: keyof typeof MODEL_SHARE,
  told: Told,
  then: string,
  [does, did]: [string, string],
  causes: [less: string, more: string],
): Omit<HealthLine, "of" | "isTold"> {
  const error = shareError(of, told);
  const isLess = told.value + BEYOND * error < 1;
  const isMore = told.value - BEYOND * error > 1;
  const why = isLess ? `: ${causes[0]}` : isMore ? `: ${causes[1]}` : ", as it did";
  return {
    words: `${does} at ${percent(told.value)} ± ${percent(error)} % of ${did} ${then}${why}.`,
    // More than it did is no fault, whatever it comes by.
    isOff: isLess,
  };
}

function ofSwitch(
  told: Told,
  does: string,
  cardC: number | null | undefined,
  beyondC = CARD_C,
): Omit<HealthLine, "of" | "isTold"> {
  const isOff =
    cardC !== null && cardC !== undefined && Math.abs(told.value - cardC) > beyondC + BEYOND * told.error;
  const card = cardC === null || cardC === undefined ? "" : `; the card says ${celsius(cardC)} °C`;
  return {
    words: `${does} at ${celsius(told.value)} °C, within ${celsius(Math.max(0.1, told.error))} °C${card}.`,
    isOff,
  };
}

function ofSensor({ value, error }: Told): Omit<HealthLine, "of" | "isTold"> {
  const isRight = Math.abs(value) < Math.max(1, BEYOND * error);
  const isOff = Math.abs(value) > SENSOR_C + error;
  const much = `too ${value > 0 ? "much" : "little"} by ${celsius(Math.abs(value))} °C, within ${celsius(error)} °C`;
  return {
    words: isRight
      ? `The sensor agrees with the air that a cold engine stands in, within ${celsius(Math.max(1, BEYOND * error))} °C.`
      : `The sensor shows ${much}${isOff ? ": look at it and its plug before anything hot is believed" : ""}.`,
    isOff,
  };
}

const NAMES: Readonly<Record<ToldName, string>> = {
  passes: "What the radiator passes",
  air: "What the fan draws",
  opensC: "Where the thermostat opens",
  onC: "Where the fan starts",
  offC: "Where the fan stops",
  biasC: "What the sensor is out by",
};

/** A fit as plain sentences, one a figure, told or not: `then` is the log that it is held against, as in “its log of 3 May 2024”. */
export function healthLines(
  { figures }: Pick<CarFit, "figures">,
  then: string,
  card: CardFigures,
): HealthLine[] {
  const said: Record<ToldName, (told: Told) => Omit<HealthLine, "of" | "isTold">> = {
    passes: (told) =>
      ofShare(
        "passes",
        told,
        then,
        ["The radiator passes heat", "that in"],
        ["blocked or partly airlocked", "another radiator, or more wind than then"],
      ),
    air: (told) =>
      ofShare(
        "air",
        told,
        then,
        ["The fan draws air", "that in"],
        ["slow, backwards, or its shroud is off", "another fan, or its air finds a shorter way"],
      ),
    opensC: (told) => ofSwitch(told, "The thermostat begins to open", card.opensC),
    onC: (told) => ofSwitch(told, "The fan starts", card.onC),
    offC: (told) => ofSwitch(told, "The fan stops", card.offC),
    biasC: ofSensor,
  };
  return (Object.keys(figures) as ToldName[]).map((of) => {
    const figure = figures[of];
    return figure.isTold
      ? { of, isTold: true, ...said[of](figure) }
      : { of, isTold: false, isOff: false, words: `${NAMES[of]} can't be told: ${figure.because}.` };
  });
}

/** The figures that were told, with their errors: what a book keeps of a fit. */
export const toldFigures = ({
  figures,
}: Pick<CarFit, "figures">): Partial<Record<ToldName, { value: number; error: number }>> =>
  Object.fromEntries(
    Object.entries(figures).flatMap(([name, figure]) =>
      figure.isTold ? [[name, { value: figure.value, error: figure.error }]] : [],
    ),
  );

/** A fit in the sentence that a book keeps: everything that is off, or else the first that was told. */
export function bookedWords(lines: readonly HealthLine[]): string {
  const told = lines.filter(({ isTold }) => isTold);
  const off = told.filter(({ isOff }) => isOff);
  return (off.length > 0 ? off : told.slice(0, 1)).map(({ words }) => words).join(" ");
}
