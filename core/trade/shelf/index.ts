export {
  columnOf,
  INHIBITORS,
  readShelfList,
  readShelfRow,
  SHELF_COLUMNS,
  type ShelfColumn,
  type ShelfItem,
  shelfKey,
} from "./row.ts";
