export { hexOf, QUANTITIES, QUANTITY_NAMES, type QuantityName } from "./quantities.ts";
export {
  type PortAnswer,
  type PortRequest,
  readAnswer,
  readRequest,
  requestLine,
  valueLine,
} from "./read-answer.ts";
export { BLOCKS, supportBytes } from "./supported.ts";
export { codeBytes, meaningOf, troubleCodes } from "./trouble-codes.ts";
