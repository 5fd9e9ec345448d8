import { createStore, del, entries, set, type UseStore } from "idb-keyval";
import type { Unsent, UnsentStore } from "./outbox.ts";

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
