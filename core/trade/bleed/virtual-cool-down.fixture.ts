/** An engine that was shut off hot: two bodies in each other's company, stepped by Euler, not two exponentials. */
export function shutOff(random: () => number) {
  const airC = -5 + 40 * random();
  const coolantS = 240 + 700 * random();
  const blockS = 2400 + 7000 * random();
  let coolantC = 84 + 22 * random();
  let blockC = coolantC + 4 + 14 * random();
  const heavy = 0.5 + 1.5 * random();
  const series: number[] = [];
  for (let second = 0; second < 12 * 3600; second += 10) {
    series.push(coolantC);
    const across = (blockC - coolantC) / coolantS;
    coolantC += 10 * (across - (coolantC - airC) / (blockS * 1.6));
    blockC += 10 * (-across / heavy - (blockC - airC) / blockS);
  }
  return {
    airC,
    at: (seconds: number) => series[Math.min(series.length - 1, Math.round(seconds / 10))] ?? 0,
  };
}

const bell = (random: () => number) => 2 * (random() + random() + random() - 1.5);

/** Air that leaves by about the same share in each cycle, topped up with a jug; and what is left of it. */
export function airOut(
  { cycles, pouredL, unlike }: { cycles: number; pouredL: number; unlike: number },
  random: () => number,
) {
  let leftL = 0.3 + 2.5 * random();
  const share = 0.3 + 0.5 * random();
  const poured = Array.from({ length: cycles }, () => {
    const outL = leftL * Math.min(0.97, Math.max(0.03, share * (1 + unlike * (2 * random() - 1))));
    leftL -= outL;
    return { toppedUpL: Math.max(0, outL + pouredL * bell(random)) };
  });
  return { leftL, poured };
}
