import { createStore, del, get, set, type UseStore } from "idb-keyval";

let drafts: UseStore | undefined;
const draftStore = () => {
  drafts ??= createStore("warm-ledger-drafts", "drafts");
  return drafts;
};

/** Half-typed things, so that a reload loses none. A store that can't even be opened fails as one that can't keep. */
export const readDraft = async (key: string): Promise<unknown> => get(key, draftStore());
export const keepDraft = async (key: string, value: unknown): Promise<void> =>
  value === undefined ? del(key, draftStore()) : set(key, value, draftStore());
