import { failures, inOrder, type Life } from "./life.ts";

/** The chance of a chi-square with one degree of freedom at least so big: the complementary error function of its root. */
function chanceOf(chi2: number): number {
  const x = Math.sqrt(chi2 / 2);
  if (x < 2) {
    let term = x;
    let sum = x;
    for (let order = 1; order < 60; order++) {
      term *= (-x * x) / order;
      sum += term / (2 * order + 1);
    }
    return 1 - (2 / Math.sqrt(Math.PI)) * sum;
  }
  let fraction = 0;
  for (let order = 120; order > 0; order--) fraction = order / 2 / (x + fraction);
  return Math.exp(-x * x) / Math.sqrt(Math.PI) / (x + fraction);
}

/**
 * Whether two kinds of part last differently: the log-rank test, with one degree of freedom. `p` is how often lives as
 * far apart as these come about when the kinds are alike. Nothing failed, or never while both were in, tells nothing:
 * chi2 0, p 1. Throws `RangeError` on a length outside 0 to 100,000 days. Source: Kalbfleisch and Prentice, 2002.
 */
export function compareGrades(a: readonly Life[], b: readonly Life[]): { chi2: number; p: number } {
  const ofA = inOrder(a);
  const both = inOrder([...a, ...b]);
  let excess = 0;
  let variance = 0;
  let behind = 0;
  for (const { days, failed, atRisk } of failures(both)) {
    while (behind < ofA.length && (ofA[behind]?.days ?? 0) < days) behind++;
    let failedOfA = 0;
    for (let place = behind; ofA[place]?.days === days; place++) if (ofA[place]?.failed) failedOfA++;
    const share = (ofA.length - behind) / atRisk;
    excess += failedOfA - failed * share;
    if (atRisk > 1) variance += (failed * share * (1 - share) * (atRisk - failed)) / (atRisk - 1);
  }
  if (variance <= 0) return { chi2: 0, p: 1 };
  const chi2 = excess ** 2 / variance;
  return { chi2, p: chanceOf(chi2) };
}
