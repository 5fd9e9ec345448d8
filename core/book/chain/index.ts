export { canonical, type Json } from "./canonical.ts";
export { entryText, headingText, type JobHeading, type KeptEntry } from "./chained-text.ts";
export { printedHash } from "./printed-hash.ts";
