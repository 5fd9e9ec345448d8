/** What a part is bought as. Stored, so never renamed. */
export const GRADES = ["maker's", "pattern", "all-metal", "used"] as const;
export type Grade = (typeof GRADES)[number];
