export { pushedApart } from "./pushed-apart.ts";
