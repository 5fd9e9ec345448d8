export interface StagesTrouble {
  stage: 0 | 1;
  part: "on" | "off";
  words: string;
}

/**
 * What is wrong with a fan's stages, starts and stops in °C, low stage first and either missing where nobody knows it: a stop
 * lies below its start and says nothing without one, and a high stage starts above a low one. Nothing where they can be so.
 */
export function stagesTrouble(
  onC: readonly (number | null | undefined)[],
  offC: readonly (number | null | undefined)[],
): StagesTrouble[] {
  const [low, high] = onC.map((each) => each ?? undefined);
  const pairs = ([0, 1] as const).flatMap((stage): StagesTrouble[] => {
    const [on, off] = [onC[stage] ?? undefined, offC[stage] ?? undefined];
    if (on === undefined && off !== undefined)
      return [{ stage, part: "on", words: "Where it stops says nothing without where it starts." }];
    return on !== undefined && off !== undefined && off >= on
      ? [{ stage, part: "off", words: "A fan stops below where it starts." }]
      : [];
  });
  if (high === undefined) return pairs;
  if (low === undefined)
    return [...pairs, { stage: 0, part: "on", words: "With one stage only, write it here." }];
  return high <= low
    ? [...pairs, { stage: 1, part: "on", words: "The high stage starts above the low one." }]
    : pairs;
}
