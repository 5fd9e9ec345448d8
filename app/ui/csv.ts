/** Spreadsheets take a cell that begins so for a formula; a blank before it keeps it a text. */
const FORMULA = /^[=+\-@\t\r]/;
export const asText = (text: string): string => (FORMULA.test(text) ? ` ${text}` : text);
