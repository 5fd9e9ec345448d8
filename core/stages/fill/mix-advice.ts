import type { Entry } from "../../book/entry/index.ts";
import { type CoolantState, coolantState, drainedUntold, othersIn } from "../../state/index.ts";
import type { CoolingCard } from "../../trade/car/index.ts";
import {
  approvalSaid,
  type Base,
  boilMarginC,
  bySchool,
  type CoolantSchool,
  compatibility,
  correct,
  expansionL,
  KINDS,
  type Kind,
  refill,
} from "../../trade/coolant/index.ts";
import { type CoolantOnShelf, type WhatGoesIn, whatGoesIn } from "./what-goes-in.ts";

/** What is asked of a mix, in core units; what nobody said isn't there. */
export interface MixAsked {
  /** Which coolant: the card's, one of the shelf by its label, or another. */
  label: string;
  /** Its inhibitors and its share of glycol, as whoever holds the can reads them. */
  kind?: Kind;
  base: Base;
  product?: number;
  /** What an instrument reads of what is in it now. */
  measured?: number;
  /** The strength that is wanted; the card's where nobody wants another. */
  target?: number;
  /** The coldest that it has to stand, °C; metres above the sea; litres of room over the line. */
  coldestC?: number;
  altitudeM: number;
  roomL?: number;
  school?: CoolantSchool;
}

export type MixDoes =
  /** Some came out and nobody measured it: what is in it is not known, so nothing says how much goes in. */
  | { does: "measure"; because: string }
  /** What is in it must not meet what goes in. */
  | { does: "flush" }
  /** Full, and as strong as it should be. */
  | { does: "nothing" }
  /** Full, and too weak or too strong: so much is drawn off, and product or water put in. */
  | { does: "replace"; drawL: number; productL: number; waterL: number }
  | {
      does: "pour";
      productL: number;
      waterL: number;
      /** What comes of it: its share of glycol, where it freezes, and where it boils under its cap, °C. */
      fraction: number;
      freezeC: number;
      boilsC: number;
      isColdEnough: boolean;
      /** How many fills it takes, drained between; nothing where that is no way to get there. */
      fills?: number;
      /** By how much it swells hot, and how far below the line it is filled cold where there isn't the room. */
      swellsL: number;
      belowLineL?: number;
    }
  | { does: "cannot"; because: string };

export interface MixAdvice {
  state: CoolantState;
  target: number;
  /** The share of glycol in it, by an instrument where one was read. */
  inItFraction: number;
  can: WhatGoesIn;
  /** How what goes in goes with what is in it; nothing where nobody knows either, or where the old is flushed out. */
  mixed?: ReturnType<typeof compatibility>;
  isFlushedForAnother: boolean;
  /** Litres, at most, that were poured without a name. */
  unnamedL?: number;
  approval?: ReturnType<typeof approvalSaid>;
  school?: ReturnType<typeof bySchool>;
  does: MixDoes;
}

const WORST = ["do-not-mix", "shortens-life", "same"];
/** Less room than that is full, as near as jugs can tell; a strength so near is right. */
const LEAST_ROOM_L = 0.1;
const NEAR = 0.015;
/** Nobody drains and fills more often than that: then more has to come out at once. */
const MOST_FILLS = 6;
const COLD_C = 20;
const HOT_C = 95;

/** A core function's word about what can't be is said as it is. */
function orBecause<Result>(work: () => Result): Result | { because: string } {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) return { because: error.message };
    throw error;
  }
}

/** What may not be mixed with what: of all that is in it, what goes with the new one least counts. */
function against(state: CoolantState, takes: Kind | undefined, goesIn: Kind | undefined) {
  const others = goesIn ? othersIn(state, goesIn) : [];
  const isFlushed = others.length === 0;
  const worst = others
    .flatMap((each) => (each.kind !== "unknown" && goesIn ? [compatibility(each.kind, goesIn)] : []))
    .sort((a, b) => WORST.indexOf(a.verdict) - WORST.indexOf(b.verdict))[0];
  const mixed = worst ?? (takes && goesIn ? compatibility(takes, goesIn) : undefined);
  return {
    isFlushed,
    mixed,
    unnamedL: others.find((each) => each.kind === "unknown")?.litres,
    mayNotMix: !isFlushed && mixed?.verdict === "do-not-mix",
  };
}

/**
 * What to do about what is in a system by its book: flush it, draw off, pour so much, or nothing; with what comes of it and what
 * speaks against it. It never says to pour what must not meet what is in it. Strengths are shares, 0 to 0.6.
 */
export function mixAdvice(
  entries: readonly Entry[],
  card: CoolingCard,
  asked: MixAsked,
  shelf: readonly CoolantOnShelf[],
): MixAdvice {
  const state = coolantState(entries, card);
  const { capacityL } = state;
  const takes = KINDS.find((each) => each === card.coolantKind);
  const can = whatGoesIn(asked.label, asked.kind, card, shelf);
  const { mixed, isFlushed, unnamedL, mayNotMix } = against(state, takes, can.kind);
  const isAnother = takes !== can.kind;
  const target = asked.target ?? card.targetFraction;
  const inItL = Math.min(capacityL, state.litres.likely);
  // An instrument reads what is in it now, whatever it was mixed of.
  const inItFraction = asked.measured ?? state.fraction.likely;
  const product = { base: asked.base, fraction: asked.product ?? 1 };

  const untold = drainedUntold(entries);

  const does = (): MixDoes => {
    if (mayNotMix) return { does: "flush" };
    if (untold) return { does: "measure", because: untold };
    if (capacityL - inItL < LEAST_ROOM_L) {
      if (Math.abs(inItFraction - target) <= NEAR) return { does: "nothing" };
      const put = orBecause(() =>
        correct({ capacityL, measuredFraction: inItFraction, targetFraction: target, product }),
      );
      if ("because" in put) return { does: "cannot", because: put.because };
      return { does: "replace", drawL: put.drawL, productL: put.productL, waterL: put.waterL };
    }
    const filled = orBecause(() =>
      refill({
        capacityL,
        remainingL: inItL,
        remainingFraction: inItFraction,
        targetFraction: target,
        product,
      }),
    );
    if ("because" in filled) return { does: "cannot", because: filled.because };
    const { productL, waterL, fraction, freezeC, reachable, rounds } = filled;
    const at = { base: asked.base, fraction };
    const swellsL = expansionL({ ...at, litres: capacityL, fromC: COLD_C, toC: HOT_C });
    const { boilsC } = boilMarginC({
      ...at,
      capGaugeKPa: card.capGaugeKpa,
      altitudeM: asked.altitudeM,
      coolantC: HOT_C,
    });
    return {
      does: "pour",
      ...{ productL, waterL, fraction, freezeC, boilsC, swellsL },
      isColdEnough: asked.coldestC === undefined || freezeC <= asked.coldestC,
      ...(reachable ? { fills: 1 } : rounds <= MOST_FILLS && { fills: rounds }),
      ...(asked.roomL !== undefined && swellsL > asked.roomL && { belowLineL: swellsL - asked.roomL }),
    };
  };

  const school =
    takes && can.kind && asked.school
      ? bySchool({
          school: asked.school,
          takes,
          goesIn: can.kind,
          isCardsLabel: can.isCardsLabel,
          isFlushed,
        })
      : undefined;
  return {
    ...{ state, target, inItFraction, can },
    ...(mixed && !(isAnother && isFlushed) && { mixed }),
    isFlushedForAnother: Boolean(takes && can.kind && isAnother && isFlushed),
    ...(unnamedL !== undefined && { unnamedL }),
    ...(can.approval && { approval: can.approval }),
    ...(school && { school }),
    does: does(),
  };
}
