import { useEffect, useMemo, useState } from "react";
import { useFetcher } from "react-router";
import { v4 as newId } from "uuid";
import { chosePart } from "../../../../core/book/acts/index.ts";
import { lifeHere, type PartLife, type PartSpan } from "../../../../core/stages/earlier-jobs/index.ts";
import type { ShelfItem } from "../../../../core/trade/shelf/index.ts";
import { repeatFailures, schoolsSay } from "../../../../core/trade/sourcing/index.ts";
import { useMember } from "../../../desk/member.ts";
import { useDraft } from "../../../drafts/useDraft.ts";
import { minorDigits, moneyOf } from "../../../ui/money.ts";
import { useJob } from "../../stage/context.ts";
import {
  emptyOption,
  fromShelf,
  isUntouched,
  MOST_OPTIONS,
  type OptionFields,
  type OptionTroubles,
  readOption,
  readTerms,
  START,
  type TermsFields,
} from "./option-fields.ts";
import { useWeighed } from "./useWeighed.ts";

/** What each option has of the part's own life in this shop, asked for once the page stands. */
function useSpans(): PartSpan[] | undefined {
  const lasted = useFetcher<PartSpan[]>();
  const { load } = lasted;
  useEffect(() => void load("/shelf/lives"), [load]);
  return lasted.data;
}

/** The options typed for one part, kept as they are, with what is wrong with them and what they come to. */
export function useWhichPart(lives: readonly PartLife[], shelf: readonly ShelfItem[]) {
  const { page, book } = useJob();
  const { currency } = useMember();
  const [part, setPart] = useDraft(`which-part:${page.job.id}`);
  const [why, setWhy] = useDraft(`which-why:${page.job.id}`);
  const [{ options, terms }, setTyped] = useDraft(`which:${page.job.id}`, START);
  const [isAsked, setAsked] = useState(false);
  const digits = minorDigits(currency);
  const under = useMemo(() => readTerms(terms, digits), [terms, digits]);
  const hours = "hours" in under ? under.hours : 1;
  const spans = useSpans();
  const read = useMemo(
    () =>
      options.map((fields) => ({
        fields,
        ...readOption(fields, hours, digits, lifeHere(spans ?? [], part, fields.grade)),
      })),
    [options, hours, digits, spans, part],
  );
  const sound = useMemo(() => read.flatMap((each) => ("option" in each ? [each.option] : [])), [read]);
  const weighed = useWeighed(sound, "terms" in under ? under.terms : undefined);
  const compared = new Map(weighed?.compared.map((each) => [each.id, each]));
  const known = sound.filter(({ id }) => compared.has(id));
  const troubles = new Map<string, OptionTroubles>(
    read.flatMap((each) =>
      "troubles" in each && !isUntouched(each.fields) ? [[each.fields.id, each.troubles] as const] : [],
    ),
  );
  const repeats = repeatFailures(part, lives);
  const offered = shelf
    .filter(({ item }) => item.toLowerCase() === part.trim().toLowerCase())
    .slice(0, MOST_OPTIONS);
  const choose = (id: string) => {
    const option = sound.find((each) => each.id === id);
    if (part.trim() === "") return setAsked(true);
    if (!option) return;
    const { grade, supplier, priceCents, guarantee } = option;
    const because = why.trim() || compared.get(id)?.because || "";
    book(chosePart({ item: part, grade, supplier, priceCents, guarantee, because }));
  };
  return {
    part,
    setPart,
    isPartWanted: isAsked && part.trim() === "",
    why,
    setWhy,
    options,
    setOptions: (next: OptionFields[]) => setTyped({ options: next, terms }),
    addOption: () => setTyped({ options: [...options, emptyOption(newId(), "all-metal")], terms }),
    terms,
    setTerm: (name: keyof TermsFields, text: string) =>
      setTyped({ options, terms: { ...terms, [name]: text } }),
    termTroubles: "troubles" in under ? under.troubles : {},
    spans,
    troubles,
    weighed: known.length > 1 ? weighed : undefined,
    compared,
    schools:
      known.length > 1
        ? schoolsSay({ options: known, compared: weighed?.compared ?? [], failedBefore: repeats?.gone ?? 0 })
        : [],
    repeats,
    offered,
    takeOffered: () => setTyped({ terms, options: offered.map((row) => fromShelf(row, digits)) }),
    nameOf: (id: string) => {
      const found = sound.find((each) => each.id === id);
      return found ? `${found.grade}, ${found.supplier}` : "";
    },
    money: (minor: number) => moneyOf(minor, currency),
    choose,
  };
}

export type WhichPartHere = ReturnType<typeof useWhichPart>;
