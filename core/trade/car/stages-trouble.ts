export interface StagesTrouble {
  stage: 0 | 1;
  part: "on" | "off";
  words: string;
}

/**
 * What is wrong with a fan's stages, starts and stops in °C, low stage first and either missing where nobody gave it: each start
 * wants its stop below it, and a high stage starts above a low one. Nothing where they can be so.
 */
export function stagesTrouble(
  onC: readonly (number | undefined)[],
  offC: readonly (number | undefined)[],
): StagesTrouble[] {
  const [low, high] = onC;
  const pairs = ([0, 1] as const).flatMap((stage): StagesTrouble[] => {
    const [on, off] = [onC[stage], offC[stage]];
    if ((on === undefined) !== (off === undefined))
      return [{ stage, part: "off", words: "Start and stop go together: give both or neither." }];
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
