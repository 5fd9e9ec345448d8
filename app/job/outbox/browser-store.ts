import { createStore, del, entries, get, set, type UseStore } from "idb-keyval";
import type { Answer, Unsent, UnsentStore } from "./outbox.ts";

let opened: UseStore | undefined;
const unsentStore = () => {
  opened ??= createStore("warm-ledger-unsent", "entries");
  return opened;
};

export const browserStore: UnsentStore = {
  all: async () => (await entries<string, Unsent>(unsentStore())).map(([, unsent]) => unsent),
  put: (unsent) => set(unsent.entry.id, unsent, unsentStore()),
  remove: (id) => del(id, unsentStore()),
};

const LONGEST_WAIT_MS = 12_000;

/** Sends one entry. Any answer of ours settles it; anything else means there is no server to be had. */
export async function sendEntry({ jobId, entry }: Unsent): Promise<Answer> {
  try {
    const response = await fetch(`/jobs/${jobId}/entries`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ entries: [entry] }),
      signal: AbortSignal.timeout(LONGEST_WAIT_MS),
    });
    if (response.ok) return "booked";
    if (response.status === 401) return "signed-out";
    if (response.status >= 500) return "unreachable";
    const answer = (await response.json().catch(() => ({}))) as {
      refused?: { message?: string; fields?: Record<string, string> };
      message?: string;
    };
    const fields = Object.values(answer.refused?.fields ?? {}).join(" ");
    return {
      refused:
        answer.refused?.message || fields || answer.message || `The server refused it (${response.status}).`,
    };
  } catch {
    return "unreachable";
  }
}

let drafts: UseStore | undefined;
const draftStore = () => {
  drafts ??= createStore("warm-ledger-drafts", "drafts");
  return drafts;
};

/** Half-typed things, so that a reload loses none. */
export const readDraft = (key: string): Promise<unknown> => get(key, draftStore());
export const keepDraft = (key: string, value: unknown): Promise<void> =>
  value === "" ? del(key, draftStore()) : set(key, value, draftStore());
