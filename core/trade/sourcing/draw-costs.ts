import { seededRandom } from "../../kernel/chance/index.ts";
import { failedBy, failsAt } from "./life.ts";
import { onceCost } from "./once.ts";
import type { Option, Terms } from "./option.ts";

/** A part that lasts next to nothing would never get through the horizon; nobody fits one so often. */
const MOST_AGAIN = 200;

/**
 * What an option comes to, drawn `terms.draws` times, in minor units, in rising order. The same seed gives the same
 * draws to every option, so that no figure hangs on what else is compared.
 */
export function drawCosts(option: Option, terms: Terms): Float64Array {
  const random = seededRandom(terms.seed);
  const { least, likely, most } = option.extraHours;
  const spread = most - least;
  const turn = spread > 0 ? (likely - least) / spread : 0;
  const extraHours = () => {
    if (spread === 0) return least;
    const share = random();
    return share < turn
      ? least + Math.sqrt(share * spread * (likely - least))
      : most - Math.sqrt((1 - share) * spread * (most - likely));
  };
  const logWrong = Math.log(option.wrongPartOdds);
  const orders = () => {
    const share = option.wrongPartOdds === 0 ? 1 : 1 - random();
    return share > option.wrongPartOdds ? 1 : 1 + Math.floor(Math.log(share) / logWrong);
  };
  const plain = onceCost(option, terms, 1, 0);
  const anOrder = plain.freight + plain.waiting;
  const { partDays, labourDays } = option.guarantee;
  const outliveAll = 1 - failedBy(terms.horizonDays, option.life);
  const costs = new Float64Array(terms.draws);
  for (let draw = 0; draw < costs.length; draw++) {
    let cost = plain.part + anOrder * orders() + plain.work + extraHours() * terms.hourCents;
    let at = 0;
    for (let times = 0; times < MOST_AGAIN; times++) {
      const outlivedBy = 1 - random();
      // Most outlive the whole time: how long they last then is nobody's matter, and costly to work out.
      if (outlivedBy < outliveAll) break;
      const age = failsAt(outlivedBy, option.life);
      at += age;
      if (at > terms.horizonDays) break;
      const work = plain.work + extraHours() * terms.hourCents;
      cost += anOrder * orders() + (age > partDays ? plain.part : 0) + (age > labourDays ? work : 0);
    }
    costs[draw] = cost;
  }
  return costs.sort();
}

/** The figure below which `share` (0 to 1) of a rising list lies, between two of its figures where it falls there. */
export function quantile(rising: Float64Array, share: number): number {
  const at = (rising.length - 1) * share;
  const low = rising[Math.floor(at)] ?? 0;
  const high = rising[Math.ceil(at)] ?? low;
  return low + (high - low) * (at - Math.floor(at));
}
