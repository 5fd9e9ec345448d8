/** A way of letting coolant out, with what comes and what stays. */
export interface DrainWay {
  id: "tap" | "lower-hose" | "block-plug" | "wet-swap";
  words: string;
  /** When it is the one to take. */
  when: string;
  how: string;
  /** Off lets air in and drains fast; on holds it back. */
  cap: "off" | "on";
  /** Litres that come, and that the block and heater keep. */
  comesL: { low: number; high: number };
  keepsL: { low: number; high: number };
}

/**
 * Shares of what the system holds. A radiator with its tanks and hoses is about half of it, the block and heater a third and
 * more; a plug in the block lets out most of what the block has. Between engines it differs by a tenth and more each way.
 */
const SHARES = {
  tap: { low: 0.4, high: 0.6 },
  "lower-hose": { low: 0.45, high: 0.65 },
  "block-plug": { low: 0.75, high: 0.92 },
} as const;
/** What runs out past a thumb while a switch is swapped with the cap on, litres. */
const WET_SWAP_L = { low: 0.1, high: 0.8 };

const LEAST_L = 0.5;
const MOST_L = 200;

function way(
  capacityL: number,
  share: { low: number; high: number },
  rest: Omit<DrainWay, "comesL" | "keepsL">,
): DrainWay {
  const comesL = { low: capacityL * share.low, high: capacityL * share.high };
  return { ...rest, comesL, keepsL: { low: capacityL - comesL.high, high: capacityL - comesL.low } };
}

/**
 * The schools of draining, the usual one first, each with the litres to expect from a system of this capacity and what the block
 * keeps. Capacity 0.5 to 200 L. Shares are the trade's own experience, with its spread; a measured jug always wins.
 * @throws RangeError for a capacity outside that
 */
export function drainWays(capacityL: number): DrainWay[] {
  if (!(capacityL >= LEAST_L && capacityL <= MOST_L))
    throw new RangeError(`capacity ${capacityL} L is outside ${LEAST_L} to ${MOST_L} L`);
  const least = Math.min(WET_SWAP_L.low, capacityL * 0.1);
  const most = Math.min(WET_SWAP_L.high, capacityL * 0.3);
  return [
    way(capacityL, SHARES.tap, {
      id: "tap",
      words: "drain tap of the radiator",
      when: "the usual way, engine cold",
      how: "Pan under it, open the tap by hand, then the cap: it runs fast once air comes in. A tap that gives nothing is blocked by sediment.",
      cap: "off",
    }),
    way(capacityL, SHARES["lower-hose"], {
      id: "lower-hose",
      words: "lower hose off",
      when: "where there is no tap, or sediment blocks it",
      how: "Wide pan: it comes in a gush. Clip back, twist the hose, don't lever on the neck. Cap off once it runs.",
      cap: "off",
    }),
    way(capacityL, SHARES["block-plug"], {
      id: "block-plug",
      words: "plug in the block as well",
      when: "for a full flush, or another kind of coolant",
      how: "After the radiator: the block has most of the rest. A new seal for the plug; it may be behind the exhaust.",
      cap: "off",
    }),
    way(
      capacityL,
      { low: least / capacityL, high: most / capacityL },
      {
        id: "wet-swap",
        words: "wet swap, cap on",
        when: "for a switch or sensor alone",
        how: "Cold, cap on and shut: it holds the coolant back like a thumb on a straw. New part in one hand, out and in at once.",
        cap: "on",
      },
    ),
  ];
}

/** What a jug says against what was to come: as expected, or less or more and what that means. */
export function drained(
  drainedL: number,
  { comesL }: Pick<DrainWay, "comesL">,
): "as expected" | "less" | "more" {
  if (!(drainedL >= 0 && drainedL <= MOST_L))
    throw new RangeError(`drained ${drainedL} L is outside 0 to ${MOST_L} L`);
  if (drainedL < comesL.low) return "less";
  return drainedL > comesL.high ? "more" : "as expected";
}
