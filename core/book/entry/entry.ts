export const STAGES = ["ask", "find", "plan", "strip", "build", "fill", "prove", "sign"] as const;
export type Stage = (typeof STAGES)[number];

export const KINDS = ["movement", "reading", "test", "decision", "caution", "note"] as const;
export type Kind = (typeof KINDS)[number];

export const ACCOUNTS = [
  "coolant",
  "fastener",
  "connector",
  "hose",
  "clip",
  "part",
  "line-cap",
  "tool",
] as const;
export type Account = (typeof ACCOUNTS)[number];

/** Why coolant moved. The first four leave the car's circuit, the last two go the other way or change its size. */
export const COOLANT_ITEMS = {
  drained: "drained",
  spilled: "spilled, about",
  kept: "kept in old parts",
  missing: "missing at arrival",
  poured: "poured",
  capacity: "capacity change",
} as const;
export type CoolantItem = keyof typeof COOLANT_ITEMS;

/** What an entry may say beyond its figures. Each stage writes its own. */
export type EntryData = Record<string, unknown>;

/**
 * One line of a job's book. Never changed, only corrected by a later one that names it in `corrects` and carries the
 * right figures whole; with no figures it strikes the named entry out. Litres for coolant, whole counts for the rest.
 */
export interface Entry {
  id: string;
  jobId: string;
  /** Place in the job's book, from 1 without holes. */
  seq: number;
  /** When, ISO 8601 in UTC. */
  at: string;
  /** Who: a person's id. */
  by: string;
  stage: Stage;
  kind: Kind;
  account?: Account;
  item?: string;
  place?: string;
  out?: number;
  in?: number;
  unit?: string;
  value?: number;
  text?: string;
  data?: EntryData;
  corrects?: string;
}

/** An entry before it has an id, a place in the book, a time and a name. */
export type EntryDraft = Omit<Entry, "id" | "jobId" | "seq" | "at" | "by" | "stage"> & { stage?: Stage };
