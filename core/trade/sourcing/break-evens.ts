import { breakEvenHours } from "./break-even-hours.ts";
import type { Option, Terms } from "./option.ts";

export interface BreakEven {
  dearId: string;
  cheapId: string;
  /** As `breakEvenHours` says it. */
  hours: number | null;
}

/** Every dearer option against the one of the lowest price: from which length of job it is the cheaper choice. */
export function breakEvens(options: readonly Option[], terms: Terms): BreakEven[] {
  const [cheap, ...dearer] = [...options].sort((a, b) => a.priceCents - b.priceCents);
  if (!cheap) return [];
  return dearer.map((dear) => ({
    dearId: dear.id,
    cheapId: cheap.id,
    hours: breakEvenHours(dear, cheap, terms),
  }));
}
