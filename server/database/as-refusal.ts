import { Refusal } from "../refusal.ts";

const SAID = {
  unwritable: {
    status: 422,
    message: "What was sent can't be written down: a figure or text is out of its range.",
  },
  there: { status: 409, message: "That is in the books already. Load the page again to see it." },
  nowhere: { status: 409, message: "It names something that is not in this shop's books." },
  kept: { status: 409, message: "The book takes no such change: write a correction instead." },
  meanwhile: { status: 409, message: "Somebody else was writing at the same moment. Send it again." },
} as const;

/** PostgreSQL's own codes (its manual, appendix A) for what a sender can cause, by what to say of them. */
const CODES: Readonly<Record<string, keyof typeof SAID>> = {
  "22001": "unwritable",
  "22003": "unwritable",
  "22007": "unwritable",
  "22008": "unwritable",
  "22021": "unwritable",
  "22P02": "unwritable",
  "22P05": "unwritable",
  "23502": "unwritable",
  "23514": "unwritable",
  "54000": "unwritable",
  "23505": "there",
  "23503": "nowhere",
  "23001": "kept",
  "40001": "meanwhile",
  "40P01": "meanwhile",
  "55P03": "meanwhile",
};

/** The database's no as a refusal in words, where what was sent is the reason; nothing where it is a fault of ours. */
export function asRefusal(error: unknown): Refusal | undefined {
  const { parent, code } = (error ?? {}) as { parent?: { code?: unknown }; code?: unknown };
  const given = String(parent?.code ?? code ?? "");
  const said = Object.hasOwn(CODES, given) ? SAID[CODES[given] as keyof typeof SAID] : undefined;
  return said && new Refusal(said);
}
