export {
  columnOf,
  readShelfList,
  readShelfRow,
  type ShelfItem,
  shelfKey,
} from "./shelf-list.ts";
export { SHELF_COLUMNS, type ShelfColumn } from "./shelf-row.ts";
