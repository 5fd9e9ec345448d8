import { useMemo } from "react";
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

/** A round that was kept in this browser, if it still is one that can be played. */
function playedOf(setup: RoundSetup | undefined): { setup: RoundSetup; round: PracticeRound } | undefined {
  if (!setup) return undefined;
  try {
    const acts = readActs(setup.acts);
    return { setup: { ...setup, acts }, round: playRound(hide(setup.level, setup.carKey, setup.seed), acts) };
  } catch {
    return undefined;
  }
}

/** The round of whoever is signed in: it survives a reload, and what can't be done is said. */
export function usePractice() {
  const [draft, setDraft] = useDraft<RoundSetup | undefined>("practice", undefined);
  const played = useMemo(() => playedOf(draft), [draft]);
  const begin = (level: number, carKey: string) => {
    const seed = seedNow();
    setDraft({ id: newId(), level, carKey: carKey || anyCarKey(seed), seed, acts: [], hadHelp: false });
  };
  /** In words why it could not be done; nothing where it was. */
  const act = (given: PracticeAct): string => {
    if (!played) return "";
    const { setup } = played;
    const acts = [...setup.acts, given];
    try {
      readActs(acts);
      playRound(hide(setup.level, setup.carKey, setup.seed), acts);
    } catch (error) {
      return error instanceof RangeError ? error.message : "That could not be done.";
    }
    setDraft({ ...setup, acts });
    return "";
  };
  const help = () => played && setDraft({ ...played.setup, hadHelp: true });
  const leave = () => setDraft(undefined);
  return { played, begin, act, help, leave };
}

export type Played = NonNullable<ReturnType<typeof playedOf>>;
