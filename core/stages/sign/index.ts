export { LEAST_REASON, type MaySign, maySign, reasonTrouble } from "./may-sign.ts";
