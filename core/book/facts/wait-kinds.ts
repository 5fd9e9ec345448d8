/** What a job can wait for. Apart, so that a page that only names them loads no checks with them. */
export const WAITS = ["hands", "heat", "parts", "night", "owner"] as const;
export type WaitKind = (typeof WAITS)[number];
