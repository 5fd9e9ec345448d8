export { type ApartRow, type ApartThing, apartList } from "./apart-list.ts";
