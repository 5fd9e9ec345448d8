export { unwritable } from "./plain-text.ts";
