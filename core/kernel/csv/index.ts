export { partedBy, splitLine } from "./cells.ts";
export { figureAt, MOST_CELL_LETTERS, mayBeThousands, typedFigure } from "./figure.ts";
export { type Listed, type ListTrouble, MOST_COLUMNS, plainHead, readList } from "./list.ts";
