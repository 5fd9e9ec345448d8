const formatters = new Map<string, Intl.NumberFormat>();

function formatterOf(currency: string): Intl.NumberFormat {
  const known = formatters.get(currency);
  const formatter = known ?? new Intl.NumberFormat("en-GB", { style: "currency", currency });
  if (!known) formatters.set(currency, formatter);
  return formatter;
}

/** How many decimals of a currency (ISO 4217) are minor units. */
export const minorDigits = (currency: string): number =>
  formatterOf(currency).resolvedOptions().maximumFractionDigits ?? 2;

/**
 * An amount of money as it is read: with the sign of its currency.
 * @param minor whole minor units, such as cents
 * @param currency by ISO 4217
 */
export const moneyOf = (minor: number, currency: string): string =>
  formatterOf(currency).format(minor / 10 ** minorDigits(currency));
