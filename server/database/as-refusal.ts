import { Refusal, type RefusalDetail } from "../desk/refusal.ts";

const AGAIN_S = 5;
const down = (message: string): RefusalDetail => ({
  status: 503,
  againInS: AGAIN_S,
  isDown: true,
  message: `${message} Nothing was booked; it is tried again.`,
});

const SAID = {
  unwritable: {
    status: 422,
    message: "What was sent can't be written down: a figure or text is out of its range.",
  },
  there: { status: 409, message: "That is in the books already. Load the page again to see it." },
  nowhere: { status: 409, message: "It names something that is not in this shop's books." },
  kept: { status: 409, message: "The book takes no such change: write a correction instead." },
  meanwhile: { status: 409, message: "Somebody else was writing at the same moment. Send it again." },
  held: {
    status: 503,
    againInS: AGAIN_S,
    message: "Somebody else is writing in this book just now. It is tried again in a moment.",
  },
  slow: {
    status: 503,
    againInS: AGAIN_S,
    message: "That took the database too long just now. It is tried again in a moment.",
  },
  missing: down("The database can't be reached."),
  silent: down("The database is there and doesn't answer."),
  crowded: down("The database takes no more connections just now."),
  full: down("The database's disk is full."),
  noRoom: down("The server's disk is full."),
  readOnly: down("The database takes nothing new just now: it is read-only."),
} as const satisfies Record<string, RefusalDetail>;

/** PostgreSQL's own codes (its manual, appendix A), by what to say of them. */
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
  "55P03": "held",
  "57014": "slow",
  "57P01": "missing",
  "57P02": "missing",
  "57P03": "missing",
  "08000": "missing",
  "08001": "missing",
  "08003": "missing",
  "08006": "missing",
  "08P01": "missing",
  "28000": "missing",
  "28P01": "missing",
  "3D000": "missing",
  "53300": "crowded",
  "53100": "full",
  // The one code that comes of a file of ours.
  ENOSPC: "noRoom",
  "53200": "crowded",
  "25006": "readOnly",
};
/** The network's own codes; anybody's, so that they count only where the way to the database says them. */
const NETWORK: Readonly<Record<string, keyof typeof SAID>> = {
  ECONNREFUSED: "missing",
  ECONNRESET: "missing",
  ENOTFOUND: "missing",
  EHOSTUNREACH: "missing",
  EPIPE: "missing",
  ETIMEDOUT: "silent",
};

/** What the libraries between say without a code. */
const NAMES: Readonly<Record<string, keyof typeof SAID>> = {
  SequelizeConnectionRefusedError: "missing",
  SequelizeHostNotFoundError: "missing",
  SequelizeHostNotReachableError: "missing",
  SequelizeConnectionTimedOutError: "silent",
  SequelizeConnectionAcquireTimeoutError: "silent",
};
const WORDS: readonly [RegExp, keyof typeof SAID][] = [
  [/query read timeout/i, "silent"],
  [/timeout expired|timeout exceeded when trying to connect/i, "silent"],
  [/connection terminated|client has encountered a connection error|is not queryable/i, "missing"],
];

function kindOf(error: unknown): keyof typeof SAID | undefined {
  const { parent, code, name, message } = (error ?? {}) as {
    parent?: { code?: unknown; message?: unknown };
    code?: unknown;
    name?: unknown;
    message?: unknown;
  };
  for (const given of [String(parent?.code ?? ""), String(code ?? "")])
    if (Object.hasOwn(CODES, given)) return CODES[given];
  if (!String(name).startsWith("Sequelize") && parent === undefined) return undefined;
  const network = String(parent?.code ?? "");
  if (Object.hasOwn(NETWORK, network)) return NETWORK[network];
  if (Object.hasOwn(NAMES, String(name))) return NAMES[String(name)];
  const words = `${parent?.message ?? ""} ${message ?? ""}`;
  return WORDS.find(([pattern]) => pattern.test(words))?.[1];
}

/** The database's no as a refusal in words, where what was sent is the reason or the database isn't to be had; nothing where it is a fault of ours. */
export function asRefusal(error: unknown): Refusal | undefined {
  if (error instanceof Refusal) return error;
  const kind = kindOf(error);
  return kind && new Refusal(SAID[kind]);
}
