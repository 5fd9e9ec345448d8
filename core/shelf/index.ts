export { type Doings, doingsKey, doingsOf } from "./doings.ts";
export { FEWEST_GONE, halfGoneAfter, type LifeHere, lifeHere, type PartSpan, spansOf } from "./lives.ts";
export {
  columnOf,
  INHIBITORS,
  readShelfList,
  readShelfRow,
  SHELF_COLUMNS,
  SHELF_KINDS,
  type ShelfColumn,
  type ShelfItem,
  type ShelfKind,
  shelfKey,
} from "./row.ts";
