import { clear, createStore, delMany, entries, get, set, type UseStore } from "idb-keyval";

/** A week: longer than any job that anybody goes on with by heart. */
const KEPT_MS = 7 * 86_400_000;

/** Raised when what a reading holds changes: what an older version kept is none that this one can draw. */
const SHAPE = 10;

/** What a page was read as, and when. */
export interface KeptPage {
  at: string;
  data: unknown;
  shape: number;
}

const isGone = ({ at, shape }: KeptPage, now: number) =>
  shape !== SHAPE || now - new Date(at).getTime() > KEPT_MS;

let opened: UseStore | undefined;
const store = () => {
  opened ??= createStore("warm-ledger-pages", "pages");
  return opened;
};

/** The same object as long as it is the same reading, so that showing it again draws nothing anew. */
const atHand = new Map<string, KeptPage>();

/** Keeps a page as it was read now. A store that fails leaves this tab's own memory. */
export async function keepPage(name: string, data: unknown, at = new Date().toISOString()): Promise<void> {
  const page = { at, data, shape: SHAPE };
  atHand.set(name, page);
  await set(name, page, store()).catch(() => undefined);
}

export async function readPage(name: string): Promise<KeptPage | undefined> {
  const known = atHand.get(name) ?? (await get<KeptPage>(name, store()).catch(() => undefined));
  if (!known || isGone(known, Date.now())) return undefined;
  atHand.set(name, known);
  return known;
}

/** Lets go of who is signed in; of everything that was read, where the browser is not one of the shop's own. */
export async function forgetMember(isShopsOwn: boolean): Promise<void> {
  if (!isShopsOwn) return forgetPages();
  atHand.delete("frame");
  await delMany(["frame"], store()).catch(() => undefined);
}

export async function forgetPages(): Promise<void> {
  atHand.clear();
  await clear(store()).catch(() => undefined);
}

/** Lets go of what is too old to be shown, or of an older version. */
export async function forgetOld(now = Date.now()): Promise<void> {
  const all = await entries<string, KeptPage>(store()).catch(() => []);
  const old = all.filter(([, page]) => isGone(page, now)).map(([name]) => name);
  if (old.length > 0) await delMany(old, store()).catch(() => undefined);
}
