import { letOut, poured } from "../../../core/book/acts/index.ts";
import { format, readShown, SHOWN, type System } from "../../../core/kernel/units/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import { DrainWays } from "../stage/DrainWays.tsx";
import { FoldOfJob, useFolds } from "../stage/Fold.tsx";

const MOVES = {
  poured: "Poured",
  drained: "Drained",
  spilled: "Spilled",
  kept: "Kept in old parts",
  missing: "Missing at arrival",
} as const;
const MOST_L = 200;

function readLitres(text: string, system: System): number | undefined {
  const litres = readShown(text, "volume", system);
  return litres !== undefined && litres > 0 && litres <= MOST_L ? litres : undefined;
}

function readShare(text: string, system: System): number | undefined {
  const share = readShown(text, "fraction", system);
  return share !== undefined && share >= 0 && share <= 1 ? share : undefined;
}

/** What moved, in litres, into the book. */
export function Pour() {
  const { page, system, book, mayBook } = useJob();
  const [move, setMove] = useDraft<keyof typeof MOVES>(`moves:${page.job.id}`, "poured");
  const [amount, setAmount] = useDraft(`litres:${page.job.id}`);
  const [strength, setStrength] = useDraft(`strength:${page.job.id}`);
  const litres = readLitres(amount, system);
  const fraction = strength.trim() === "" ? undefined : readShare(strength, system);
  const isAmountWrong = amount.trim() !== "" && litres === undefined;
  const isStrengthWrong = strength.trim() !== "" && fraction === undefined;
  const pour = () => {
    if (litres === undefined || isStrengthWrong) return;
    const mix = fraction === undefined ? undefined : { fraction };
    book(move === "poured" ? poured(litres, mix) : letOut(move, litres));
    setAmount("");
    setStrength("");
  };
  return (
    <FoldOfJob
      name="Write down what moved"
      says={`poured, drained, spilled${amount.trim() ? `: ${amount}` : ""}`}
      folds={useFolds()}
      className="text-xl"
    >
      <div className="flex flex-col gap-3">
        <ChipsOne
          label="What moved"
          options={Object.keys(MOVES)}
          words={MOVES}
          value={move}
          onChange={(value) => value && setMove(value as keyof typeof MOVES)}
        />
        {move === "drained" && <DrainWays />}
        <div className="flex flex-wrap items-start gap-3">
          <div className="w-40">
            <TextField
              label="How much"
              inputMode="decimal"
              maxLength={12}
              className="figure text-xl"
              unit={SHOWN.volume[system].label}
              value={amount}
              error={isAmountWrong ? `More than 0, at most ${format(MOST_L, "volume", system)}.` : undefined}
              onChange={(event) => setAmount(event.target.value)}
              disabled={!mayBook}
            />
          </div>
          {move === "poured" && (
            <div className="w-36">
              <TextField
                label="Strength"
                inputMode="decimal"
                maxLength={6}
                className="figure text-xl"
                unit="%"
                value={strength}
                error={isStrengthWrong ? "From 0 to 100 %." : undefined}
                onChange={(event) => setStrength(event.target.value)}
                disabled={!mayBook}
              />
            </div>
          )}
          <Button
            onClick={pour}
            disabled={!mayBook || litres === undefined || isStrengthWrong}
            className="mt-7"
          >
            Book it
          </Button>
        </div>
      </div>
    </FoldOfJob>
  );
}
