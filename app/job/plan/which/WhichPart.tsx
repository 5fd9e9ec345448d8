import { useEffect, useMemo, useState } from "react";
import { useFetcher } from "react-router";
import { v4 as newId } from "uuid";
import { chosePart } from "../../../../core/book/acts/index.ts";
import type { PartLife } from "../../../../core/stages/earlier-jobs/index.ts";
import { lastsWords, lifeHere, type PartSpan } from "../../../../core/stages/earlier-jobs/index.ts";
import { type ShelfItem } from "../../../../core/trade/shelf/index.ts";
import { repeatFailures, schoolsSay } from "../../../../core/trade/sourcing/index.ts";
import { useMember } from "../../../desk/member.ts";
import { useDraft } from "../../../drafts/useDraft.ts";
import { Button } from "../../../ui/Button.tsx";
import { TextField } from "../../../ui/Field.tsx";
import { minorDigits, moneyOf } from "../../../ui/money.ts";
import { useJob } from "../../stage/context.ts";
import { OptionTable } from "./OptionTable.tsx";
import { OwnerWaits } from "./OwnerWaits.tsx";
import {
  emptyOption,
  fromShelf,
  isUntouched,
  MOST_OPTIONS,
  type OptionTroubles,
  readOption,
  readTerms,
  START,
  type TermsFields,
} from "./option-fields.ts";
import { useWeighed } from "./useWeighed.ts";
import { WhatDecides } from "./WhatDecides.tsx";

const TERMS: [keyof TermsFields, string, string | undefined][] = [
  ["hours", "Hours to fit it", "h"],
  ["hourPrice", "An hour costs", undefined],
  ["dayPrice", "A day off the road", undefined],
  ["months", "You answer for it", "months"],
];

/** Options for one part, what each comes to over the time that the shop answers for, and what each school would take. */
export function WhichPart({ lives, shelf }: { lives: readonly PartLife[]; shelf: readonly ShelfItem[] }) {
  const { page, book, mayBook } = useJob();
  const { currency } = useMember();
  const [part, setPart] = useDraft(`which-part:${page.job.id}`);
  const [why, setWhy] = useDraft(`which-why:${page.job.id}`);
  const [{ options, terms }, setTyped] = useDraft(`which:${page.job.id}`, START);
  const [isAsked, setAsked] = useState(false);
  const digits = minorDigits(currency);
  const money = (minor: number) => moneyOf(minor, currency);
  const under = useMemo(() => readTerms(terms, digits), [terms, digits]);
  const hours = "hours" in under ? under.hours : 1;
  const lasted = useFetcher<PartSpan[]>();
  const { load } = lasted;
  useEffect(() => void load("/shelf/lives"), [load]);
  const spans = lasted.data;
  const read = useMemo(
    () =>
      options.map((fields) => ({
        fields,
        ...readOption(fields, hours, digits, lifeHere(spans ?? [], part, fields.grade)),
      })),
    [options, hours, digits, spans, part],
  );
  const grades = [...new Set(options.map(({ grade }) => grade))];
  const sound = useMemo(() => read.flatMap((each) => ("option" in each ? [each.option] : [])), [read]);
  const weighed = useWeighed(sound, "terms" in under ? under.terms : undefined);
  const compared = new Map(weighed?.compared.map((each) => [each.id, each]));
  const known = sound.filter(({ id }) => compared.has(id));
  const troubles = new Map<string, OptionTroubles>(
    read.flatMap((each) =>
      "troubles" in each && !isUntouched(each.fields) ? [[each.fields.id, each.troubles] as const] : [],
    ),
  );
  const nameOf = (id: string) => {
    const found = sound.find((each) => each.id === id);
    return found ? `${found.grade}, ${found.supplier}` : "";
  };
  const repeats = repeatFailures(part, lives);
  const schools =
    known.length > 1
      ? schoolsSay({ options: known, compared: weighed?.compared ?? [], failedBefore: repeats?.gone ?? 0 })
      : [];
  const offered = shelf.filter(({ item }) => item.toLowerCase() === part.trim().toLowerCase());
  const takeShelf = () =>
    setTyped({ terms, options: offered.slice(0, MOST_OPTIONS).map((row) => fromShelf(row, digits)) });
  const choose = (id: string) => {
    const option = sound.find((each) => each.id === id);
    if (part.trim() === "") return setAsked(true);
    if (!option) return;
    const { grade, supplier, priceCents, guarantee } = option;
    const because = why.trim() || compared.get(id)?.because || "";
    book(chosePart({ item: part, grade, supplier, priceCents, guarantee, because }));
  };
  return (
    <div className="flex flex-col gap-5">
      <div className="grid grid-cols-2 items-start gap-4 sm:grid-cols-4">
        <div className="col-span-2 sm:col-span-4">
          <TextField
            label="Part to buy"
            value={part}
            maxLength={120}
            placeholder="radiator"
            error={isAsked && part.trim() === "" ? "Name the part." : undefined}
            disabled={!mayBook}
            onChange={(event) => setPart(event.target.value)}
          />
        </div>
        {offered.length > 1 && (
          <div className="col-span-2 sm:col-span-4">
            <Button disabled={!mayBook} onClick={takeShelf}>
              Compare the {Math.min(offered.length, MOST_OPTIONS)} on the shelf
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
              error={"troubles" in under ? under.troubles[name] : undefined}
              disabled={!mayBook}
              onChange={(event) => setTyped({ options, terms: { ...terms, [name]: event.target.value } })}
            />
          </div>
        ))}
      </div>
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
      <OptionTable
        options={options}
        troubles={troubles}
        compared={compared}
        nameOf={nameOf}
        money={money}
        isDisabled={!mayBook}
        onChange={(next) => setTyped({ options: next, terms })}
        onChoose={choose}
      />
      <div className="flex flex-wrap items-end gap-4">
        {options.length < MOST_OPTIONS && (
          <Button
            disabled={!mayBook}
            onClick={() => setTyped({ options: [...options, emptyOption(newId(), "all-metal")], terms })}
          >
            One more option
          </Button>
        )}
        <div className="min-w-64 flex-1">
          <TextField
            label="Why this one, if not for what decides it"
            value={why}
            maxLength={300}
            disabled={!mayBook}
            onChange={(event) => setWhy(event.target.value)}
          />
        </div>
      </div>
      {weighed && known.length > 1 && (
        <WhatDecides
          weighed={weighed}
          schools={schools}
          months={terms.months}
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
