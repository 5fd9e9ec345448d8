export { stepBackDrafts, stepDoneDrafts } from "./step-drafts.ts";
