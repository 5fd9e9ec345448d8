const formatters = new Map<string, Intl.NumberFormat>();

/**
 * An amount of money as it is read: with the sign of its currency.
 * @param minor whole minor units, such as cents
 * @param currency by ISO 4217
 */
export function moneyOf(minor: number, currency: string): string {
  const known = formatters.get(currency);
  const formatter = known ?? new Intl.NumberFormat("en-GB", { style: "currency", currency });
  if (!known) formatters.set(currency, formatter);
  const { maximumFractionDigits = 2 } = formatter.resolvedOptions();
  return formatter.format(minor / 10 ** maximumFractionDigits);
}
