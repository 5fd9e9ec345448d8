/** The third in one vehicle is no bad luck. */
const REPEATS_FROM = 2;

/** What breaks one after another, each a question to settle before the next is bought. */
const QUESTIONS: { parts: RegExp; ask: string[] }[] = [
  {
    parts: /radiator/,
    ask: [
      "Is it mounted solid? Rubber between radiator and body keeps the body's flex from its tanks.",
      "Does the body flex there: a rack, a winch, a hard road, a bracket bent before?",
      "What does the cap hold? One that doesn't open at its rating bursts the weakest tank.",
      "Was it each time the same grade, or the same supplier?",
    ],
  },
  {
    parts: /fan|motor|module/,
    ask: [
      "Does it draw more than its fuse and wire are made for?",
      "Is its plug corroded or its ground poor, so that it heats where they join?",
      "Does it run far more than it should, for a core that is blocked?",
    ],
  },
  {
    parts: /switch|sensor/,
    ask: [
      "Was its plug looked at, or only the part changed?",
      "Is it the rating that the vehicle's card names?",
    ],
  },
];

export interface Repeats {
  /** How many of it have gone in this vehicle before. */
  gone: number;
  questions: readonly string[];
}

/**
 * Whether a part has failed in this vehicle often enough to ask why before the next is bought: `lives` are all that its
 * books have seen of it, `to` absent for the one that is in it. Nothing where it hasn't, or where nobody knows why.
 */
export function repeatFailures(
  item: string,
  lives: readonly { item: string; from: string; to?: string }[],
): Repeats | undefined {
  const wanted = item.trim().toLowerCase();
  const gone = lives.filter((life) => life.item.toLowerCase() === wanted).length;
  const questions = QUESTIONS.find(({ parts }) => parts.test(wanted))?.ask;
  return wanted !== "" && gone >= REPEATS_FROM && questions ? { gone, questions } : undefined;
}
