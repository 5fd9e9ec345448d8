import { checkProduct, type Product, within } from "./base.ts";
import { boilingPointC } from "./boil.ts";
import { STRONGEST, safeFreezeC } from "./freeze.ts";

const MOST_L = 500;
/** A ready-mixed coolant never quite reaches its own strength over what stayed behind: so near is near enough. */
const NEAR = 0.01;
const MOST_ROUNDS = 1000;
const SEA_LEVEL_KPA = 101.325;

function checkTarget(target: number, product: Product): void {
  checkProduct(product);
  within(target, 0, STRONGEST, "share of glycol to aim for");
  if (target > product.fraction)
    throw new RangeError(
      `${target} can't be mixed from a product of ${product.fraction}: 0 to ${product.fraction} can.`,
    );
}

/**
 * Litres of product and of water for so many litres of a mix, 0 to 500. Volumes are added as they are: a real mix shrinks
 * by less than 1 %. Glycol is conserved. Throws `RangeError` on a target over 0.60 or over the product's own.
 */
export function blend(given: { litres: number; targetFraction: number; product: Product }): {
  productL: number;
  waterL: number;
} {
  within(given.litres, 0, MOST_L, "number of litres");
  checkTarget(given.targetFraction, given.product);
  const productL = (given.litres * given.targetFraction) / given.product.fraction;
  return { productL, waterL: given.litres - productL };
}

export interface Refill {
  productL: number;
  waterL: number;
  fraction: number;
  freezeC: number;
  /** At the air pressure of sea level without a cap; `boilMarginC` has it under one. */
  boilC: number;
  reachable: boolean;
  /** How many fills until it is reached, to one hundredth: 1 where this one does. */
  rounds: number;
}

/**
 * What goes into a system that kept some of its old mix: litres of product and of water, and the strength, freezing and
 * boiling point of it all once it has mixed. Where one fill can't reach the target, the nearest that it reaches, and how
 * many times it would have to be drained down to `remainingL` and filled again. `reserveL` is room that is left empty.
 * Volumes are added as they are (a real mix shrinks by less than 1 %); glycol is conserved; the base of what stayed is
 * the product's. Throws `RangeError` on a capacity outside 0 to 500 L or without room for a drop, a share outside 0 to 1,
 * a target over 0.60 or over the product's own.
 */
export function refill(given: {
  capacityL: number;
  remainingL: number;
  remainingFraction: number;
  targetFraction: number;
  product: Product;
  reserveL?: number;
}): Refill {
  const { capacityL, remainingL, remainingFraction, targetFraction, product, reserveL = 0 } = given;
  within(capacityL, 0, MOST_L, "capacity in litres");
  within(remainingL, 0, capacityL, "number of litres that stayed");
  within(reserveL, 0, capacityL, "number of litres to leave empty");
  within(remainingFraction, 0, 1, "share of glycol in what stayed");
  checkTarget(targetFraction, product);
  const totalL = capacityL - reserveL;
  const roomL = totalL - remainingL;
  if (!(roomL > 0))
    throw new RangeError(
      `Of ${capacityL} L ${remainingL} stayed and ${reserveL} are kept free: nothing can go in.`,
    );
  const after = (start: number) => {
    const wanted = (targetFraction * totalL - remainingL * start) / product.fraction;
    const productL = Math.min(roomL, Math.max(0, wanted));
    const fraction = Math.min(1, (remainingL * start + productL * product.fraction) / totalL);
    return {
      productL,
      fraction,
      isReached: productL === wanted || Math.abs(fraction - targetFraction) < 1e-12,
    };
  };
  const first = after(remainingFraction);
  let last = first;
  let rounds = 1;
  while (!last.isReached && Math.abs(last.fraction - targetFraction) > NEAR && rounds < MOST_ROUNDS) {
    last = after(last.fraction);
    rounds++;
  }
  return {
    productL: first.productL,
    waterL: roomL - first.productL,
    fraction: first.fraction,
    freezeC: safeFreezeC(product.base, first.fraction),
    boilC: boilingPointC(product.base, first.fraction, SEA_LEVEL_KPA),
    reachable: first.isReached,
    rounds: !first.isReached && rounds === 1 ? 2 : rounds,
  };
}

/**
 * How much of a full system to draw off and what to put in its place to bring the mix to a target: product where it is
 * too weak, water where it is too strong. Glycol is conserved; volumes are added as they are. Throws `RangeError` on a
 * capacity outside 0 to 500 L, a measured share outside 0 to 1, a target over 0.60 or not weaker than the product where
 * it has to be strengthened.
 */
export function correct(given: {
  capacityL: number;
  measuredFraction: number;
  targetFraction: number;
  product: Product;
}): { drawL: number; productL: number; waterL: number; fraction: number } {
  const { capacityL, measuredFraction: measured, targetFraction: target, product } = given;
  within(capacityL, 0, MOST_L, "capacity in litres");
  within(measured, 0, 1, "measured share of glycol");
  checkTarget(target, product);
  if (target === measured) return { drawL: 0, productL: 0, waterL: 0, fraction: measured };
  if (target < measured) {
    const drawL = (capacityL * (measured - target)) / measured;
    return { drawL, productL: 0, waterL: drawL, fraction: target };
  }
  const drawL = (capacityL * (target - measured)) / (product.fraction - measured);
  return { drawL, productL: drawL, waterL: 0, fraction: target };
}
