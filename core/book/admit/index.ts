export { admit, type BookTerms, isOwners } from "./admit.ts";
