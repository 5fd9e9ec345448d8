import { lastsWords, type PartLife } from "../../../../core/stages/earlier-jobs/index.ts";
import type { ShelfItem } from "../../../../core/trade/shelf/index.ts";
import { useMember } from "../../../desk/member.ts";
import { Button } from "../../../ui/Button.tsx";
import { TextField } from "../../../ui/Field.tsx";
import { useJob } from "../../stage/context.ts";
import { OptionTable } from "./OptionTable.tsx";
import { OwnerWaits } from "./OwnerWaits.tsx";
import { MOST_OPTIONS, type TermsFields } from "./option-fields.ts";
import { useWhichPart, type WhichPartHere } from "./useWhichPart.ts";
import { WhatDecides } from "./WhatDecides.tsx";

const TERMS: [keyof TermsFields, string, string | undefined][] = [
  ["hours", "Hours to fit it", "h"],
  ["hourPrice", "An hour costs", undefined],
  ["dayPrice", "A day off the road", undefined],
  ["months", "You answer for it", "months"],
];

/** The part, and under which terms its options are held against each other. */
function PartAndTerms({ which }: { which: WhichPartHere }) {
  const { mayBook } = useJob();
  const { currency } = useMember();
  const { part, isPartWanted, offered, terms, termTroubles } = which;
  return (
    <div className="grid grid-cols-2 items-start gap-4 sm:grid-cols-4">
      <div className="col-span-2 sm:col-span-4">
        <TextField
          label="Part to buy"
          value={part}
          maxLength={120}
          placeholder="radiator"
          error={isPartWanted ? "Name the part." : undefined}
          disabled={!mayBook}
          onChange={(event) => which.setPart(event.target.value)}
        />
      </div>
      {offered.length > 1 && (
        <div className="col-span-2 sm:col-span-4">
          <Button disabled={!mayBook} onClick={which.takeOffered}>
            Compare the {offered.length} on the shelf
          </Button>
        </div>
      )}
      {TERMS.map(([name, label, unit]) => (
        <div key={name}>
          <TextField
            label={label}
            unit={unit ?? currency}
            inputMode="decimal"
            className="figure"
            maxLength={12}
            value={terms[name]}
            error={termTroubles[name]}
            disabled={!mayBook}
            onChange={(event) => which.setTerm(name, event.target.value)}
          />
        </div>
      ))}
    </div>
  );
}

/** What this vehicle and this shop have seen of the part before. */
function SeenBefore({ which: { part, spans, repeats, options } }: { which: WhichPartHere }) {
  const grades = [...new Set(options.map(({ grade }) => grade))];
  return (
    <>
      {part.trim() !== "" && spans && (
        <p className="text-ink-2">{grades.map((grade) => lastsWords(spans, part, grade)).join(" ")}</p>
      )}
      {repeats && (
        <div role="note" className="border-ink border-l-[6px] bg-wash py-2 pl-4">
          <p className="font-bold">
            This vehicle has had {repeats.gone} of it already. Settle this before the next is bought:
          </p>
          <ul className="list-disc pl-6">
            {repeats.questions.map((question) => (
              <li key={question}>{question}</li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}

/** Options for one part, what each comes to over the time that the shop answers for, and what each school would take. */
export function WhichPart({ lives, shelf }: { lives: readonly PartLife[]; shelf: readonly ShelfItem[] }) {
  const { mayBook } = useJob();
  const which = useWhichPart(lives, shelf);
  const { options, weighed, nameOf, money } = which;
  return (
    <div className="flex flex-col gap-5">
      <PartAndTerms which={which} />
      <SeenBefore which={which} />
      <OptionTable
        options={options}
        troubles={which.troubles}
        compared={which.compared}
        nameOf={nameOf}
        money={money}
        isDisabled={!mayBook}
        onChange={which.setOptions}
        onChoose={which.choose}
      />
      <div className="flex flex-wrap items-end gap-4">
        {options.length < MOST_OPTIONS && (
          <Button disabled={!mayBook} onClick={which.addOption}>
            One more option
          </Button>
        )}
        <div className="min-w-64 flex-1">
          <TextField
            label="Why this one, if not for what decides it"
            value={which.why}
            maxLength={300}
            disabled={!mayBook}
            onChange={(event) => which.setWhy(event.target.value)}
          />
        </div>
      </div>
      {weighed && (
        <WhatDecides
          weighed={weighed}
          schools={which.schools}
          months={which.terms.months}
          nameOf={nameOf}
          money={money}
        />
      )}
      <OwnerWaits />
      <p className="text-ink-2 text-sm">
        How long each grade lasts, what it takes longer to fit and how often the wrong one comes are the
        handbook's figures until this shop's own jobs say better.
      </p>
    </div>
  );
}
