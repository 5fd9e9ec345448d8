export { admit } from "./admit.ts";
