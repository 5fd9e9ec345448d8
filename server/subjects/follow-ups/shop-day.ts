/** The day that it is in a shop, such as 2031-03-06. `sv-SE` for the order in which it writes a date, which is ISO's. */
export const shopDay = (at: Date, timeZone: string): string =>
  new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short" }).format(at);
