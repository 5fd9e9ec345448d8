/** The entry language. */
export { completeLine, readLine } from "../../../core/language/index.ts";
