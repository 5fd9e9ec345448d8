import { createStore, del, entries, get, set, type UseStore } from "idb-keyval";
import type { Answer, Unsent, UnsentStore } from "./outbox.ts";

let opened: UseStore | undefined;
const unsentStore = () => {
  opened ??= createStore("warm-ledger-unsent", "entries");
  return opened;
};

export const browserStore: UnsentStore = {
  all: async () => (await entries<string, Unsent>(unsentStore())).map(([, unsent]) => unsent),
  put: async (unsent) => set(unsent.entry.id, unsent, unsentStore()),
  remove: async (id) => del(id, unsentStore()),
};

const LONGEST_WAIT_MS = 12_000;

/** Our own JSON, or nothing: a proxy's page, a captive portal's or a redirect's is nobody's word. */
async function ownAnswer(response: Response): Promise<Record<string, unknown> | undefined> {
  if (response.type === "opaqueredirect" || response.redirected) return undefined;
  if (!response.headers.get("Content-Type")?.includes("application/json")) return undefined;
  const answer: unknown = await response.json().catch(() => undefined);
  return answer && typeof answer === "object" && !Array.isArray(answer)
    ? (answer as Record<string, unknown>)
    : undefined;
}

/** What an answer means for the entry that was sent. "booked" only where our own answer names it with its number. */
export async function answerOf(response: Response, id: string): Promise<Answer> {
  const answer = await ownAnswer(response);
  if (!answer) return "unreachable";
  const { lastSeq, booked, refused, message, reference, isSignedOut } = answer;
  if (response.status === 200)
    return typeof lastSeq === "number" && Array.isArray(booked) && booked.includes(id)
      ? "booked"
      : "unreachable";
  if (response.status === 401 && isSignedOut === true) return "signed-out";
  if (response.status === 500 && typeof reference === "string") return { stuck: String(message) };
  if (response.status >= 500 || !refused || typeof refused !== "object") return "unreachable";
  const { message: said, fields } = refused as { message?: unknown; fields?: Record<string, unknown> };
  const words = said || Object.values(fields ?? {}).join(" ");
  return { refused: String(words || `The server refused it (${response.status}).`) };
}

/** Sends one entry. A redirect is never followed; whatever is not our own answer means there is no server to be had. */
export async function sendEntry({ jobId, entry }: Unsent): Promise<Answer> {
  try {
    const response = await fetch(`/jobs/${jobId}/entries`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ entries: [entry] }),
      redirect: "manual",
      signal: AbortSignal.timeout(LONGEST_WAIT_MS),
    });
    return await answerOf(response, entry.id);
  } catch {
    return "unreachable";
  }
}

let drafts: UseStore | undefined;
const draftStore = () => {
  drafts ??= createStore("warm-ledger-drafts", "drafts");
  return drafts;
};

/** Half-typed things, so that a reload loses none. A store that can't even be opened fails as one that can't keep. */
export const readDraft = async (key: string): Promise<unknown> => get(key, draftStore());
export const keepDraft = async (key: string, value: unknown): Promise<void> =>
  value === "" ? del(key, draftStore()) : set(key, value, draftStore());
