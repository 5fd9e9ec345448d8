export { cellsOf, headsTrouble, type ListTrouble, MOST_COLUMNS, plainHead } from "./list.ts";
