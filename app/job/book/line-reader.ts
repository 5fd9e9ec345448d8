/** The entry language: fetched after the page that has a line for it, which is read and tapped long before it is typed in. */
export { completeLine, readLine } from "../../../core/ledger/index.ts";
