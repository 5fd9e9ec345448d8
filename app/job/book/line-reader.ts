/** The entry language. */
export { completeLine, readLine } from "../../../core/ledger/index.ts";
