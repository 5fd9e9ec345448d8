import { useMemo, useRef } from "react";
import { v4 as newId } from "uuid";
import {
  anyCarKey,
  hide,
  type PracticeAct,
  type PracticeRound,
  playRound,
  type RoundSetup,
  readActs,
} from "../../../core/trade/practice/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";

const seedNow = () => Math.floor(Math.random() * 2 ** 32);

export interface Played {
  setup: RoundSetup;
  round: PracticeRound;
}

/** Throws a RangeError for what can't be played. */
const playAll = ({ level, carKey, seed, acts }: RoundSetup) =>
  playRound(hide(level, carKey, seed), readActs(acts));

/** A round that was kept in this browser, if it still is one that can be played. */
function playedOf(setup: RoundSetup | undefined): Played | undefined {
  if (!setup) return undefined;
  try {
    return { setup, round: playAll(setup) };
  } catch {
    return undefined;
  }
}

/** The round of whoever is signed in: it survives a reload, and what can't be done is said. */
export function usePractice() {
  const [draft, setDraft] = useDraft<RoundSetup | undefined>("practice", undefined);
  /** What an act has just been played to: it isn't played again to be shown. */
  const made = useRef<Played>(undefined);
  const played = useMemo(
    () => (draft && made.current?.setup === draft ? made.current : playedOf(draft)),
    [draft],
  );
  const begin = (level: number, carKey: string) => {
    const seed = seedNow();
    setDraft({ id: newId(), level, carKey: carKey || anyCarKey(seed), seed, acts: [], hadHelp: false });
  };
  /** In words why it could not be done; nothing where it was. */
  const act = (given: PracticeAct): string => {
    if (!played) return "";
    const { setup } = played;
    const next = { ...setup, acts: [...setup.acts, given] };
    try {
      made.current = { setup: next, round: playAll(next) };
    } catch (error) {
      return error instanceof RangeError ? error.message : "That could not be done.";
    }
    setDraft(next);
    return "";
  };
  const help = () => played && setDraft({ ...played.setup, hadHelp: true });
  const leave = () => setDraft(undefined);
  return { played, begin, act, help, leave };
}
