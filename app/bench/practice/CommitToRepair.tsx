import { useId, useState } from "react";
import { inShownTemperatures } from "../../../core/kernel/units/index.ts";
import { HAND_BACK } from "../../../core/trade/diagnosis/index.ts";
import {
  cautionsOfRepair,
  hypothesesOf,
  REPAIRS,
  USUAL_RATES,
} from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { PracticeAct, PracticeRound } from "../../../core/trade/practice/index.ts";
import { useMember } from "../../desk/member.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/Field.tsx";
import { moneyOf } from "../../ui/money.ts";

/** What one commits to: a repair and its recheck, a hand-back, or giving up. */
export function CommitToRepair({
  round,
  onAct,
}: {
  round: PracticeRound;
  onAct: (act: PracticeAct) => void;
}) {
  const { currency, units } = useMember();
  const [chosen, setChosen] = useState("");
  const [isGivingUp, setGivingUp] = useState(false);
  const [error, setError] = useState("");
  const title = useId();
  const faults = hypothesesOf(round.circuit).map(({ id }) => id);
  const here = REPAIRS.filter(({ fixes }) => fixes.some((fault) => faults.includes(fault)));
  const repair = here.find(({ id }) => id === chosen);
  const commit = (id: string) => {
    if (id === "") return setError("Choose a repair first.");
    setError("");
    setChosen("");
    onAct({ do: "repair", id });
  };
  return (
    <section aria-labelledby={title} className="flex flex-col gap-3 border-ink border-t-2 pt-3">
      <h2 id={title} className="text-2xl">
        Commit to it
      </h2>
      <Choice
        label="Repair"
        value={chosen}
        {...(error && { error })}
        onChange={(event) => {
          setError("");
          setChosen(event.target.value);
        }}
      >
        <option value="">none chosen</option>
        {here
          .filter(({ id }) => id !== HAND_BACK)
          .sort((a, b) => a.name.localeCompare(b.name))
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </Choice>
      {repair && (
        <>
          <p className="text-ink-2">
            <span className="figure">{repair.minutes} min</span> and a recheck of{" "}
            <span className="figure">{USUAL_RATES.recheckMinutes} min</span>, parts{" "}
            {moneyOf(repair.partsCents, currency)}.
          </p>
          {repair.hazards.length > 0 && (
            <p role="note" className="border-ink border-l-[6px] bg-wash py-1.5 pl-3 font-bold text-[0.95rem]">
              {inShownTemperatures(cautionsOfRepair(repair).join(" "), units)}
            </p>
          )}
        </>
      )}
      <div className="flex flex-wrap gap-2">
        <Button weight="main" onClick={() => commit(chosen)}>
          Repair it
        </Button>
        <Button onClick={() => commit(HAND_BACK)}>Nothing wrong: hand it back</Button>
        <Button
          weight="quiet"
          onClick={() => {
            if (isGivingUp) onAct({ do: "give-up" });
            else setGivingUp(true);
          }}
        >
          {isGivingUp ? "Yes, show me what it was" : "Give up"}
        </Button>
      </div>
    </section>
  );
}
