import { type Entry, standing } from "../book/entry/index.ts";

/** What was poured by a book, litres, and its strength on the whole: what was poured without one counts as `usual`. */
export function pouredMix(entries: readonly Entry[], usual: number): { litres: number; fraction: number } {
  let litres = 0;
  let glycolL = 0;
  for (const { account, kind, item, in: poured = 0, data } of standing(entries)) {
    if (account !== "coolant" || kind !== "movement" || item !== "poured") continue;
    const said = (data as { fraction?: unknown } | undefined)?.fraction;
    litres += poured;
    glycolL += poured * (typeof said === "number" && said >= 0 && said <= 1 ? said : usual);
  }
  return { litres, fraction: litres > 0 ? glycolL / litres : usual };
}
