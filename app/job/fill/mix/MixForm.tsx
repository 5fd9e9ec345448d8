import { SHOWN, toShown } from "../../../../core/kernel/units/index.ts";
import { isCards, shelfLabel } from "../../../../core/stages/fill/index.ts";
import { COOLANT_SCHOOLS, KINDS, type Kind } from "../../../../core/trade/coolant/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { Choice, TextField } from "../../../ui/Field.tsx";
import { useJob } from "../../stage/context.ts";
import type { MixFields, MixRead } from "./mix-fields.ts";

const KIND_WORDS: Record<Kind, string> = {
  iat: "IAT",
  oat: "OAT",
  hoat: "HOAT",
  "si-oat": "Si-OAT",
  "p-oat": "P-OAT",
};
const GLYCOLS = [
  ["ethylene", "ethylene glycol"],
  ["propylene", "propylene glycol"],
] as const;

/** What is known of a mix, as it is typed; what an instrument is made for is asked once one was read. */
export function MixForm({
  fields,
  read,
  set: setFields,
  onBookReading,
}: {
  fields: MixFields;
  read: MixRead;
  set: (fields: MixFields) => void;
  /** Where it can be booked: then it stands in the book until the next litre moves. */
  onBookReading: (() => void) | undefined;
}) {
  const { page, mayBook, system } = useJob();
  const { card } = page;
  if (!card) return null;
  const { targetFraction } = card;
  const set = (name: keyof MixFields) => (value: string) => setFields({ ...fields, [name]: value });
  const text = (name: keyof MixFields, label: string, unit: string, placeholder?: string) => (
    <TextField
      label={label}
      unit={unit}
      inputMode="decimal"
      className="figure"
      maxLength={12}
      value={String(fields[name])}
      placeholder={placeholder}
      error={read.troubles[name]}
      disabled={!mayBook}
      onChange={(event) => set(name)(event.target.value)}
    />
  );
  const choose = (name: keyof MixFields, label: string, options: readonly (readonly [string, string])[]) => (
    <Choice
      label={label}
      value={String(fields[name])}
      disabled={!mayBook}
      onChange={(event) => set(name)(event.target.value)}
    >
      {options.map(([value, words]) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </Choice>
  );
  return (
    <div className="grid grid-cols-2 items-start gap-3 md:grid-cols-3 xl:grid-cols-4">
      {text("reads", "Instrument reads", fields.readsAs === "%" ? "%" : SHOWN.temperature[system].label)}
      {choose("readsAs", "It shows", [
        ["freezes at", "where it freezes"],
        ["%", "per cent"],
      ])}
      {fields.reads.trim() !== "" &&
        choose("instrument", "Instrument is", [
          ["refractometer", "a refractometer"],
          ["float", "a float"],
        ])}
      {fields.reads.trim() !== "" &&
        choose("madeFor", "Its scale is for", [["", "what goes in"], ...GLYCOLS])}
      {onBookReading && (
        <Button className="mt-7 self-start" disabled={!mayBook} onClick={onBookReading}>
          Book what it reads
        </Button>
      )}
      {text("product", "What goes in is", "%")}
      {choose("base", "Made of", GLYCOLS)}
      {choose("school", "Which school", [
        ["", "none"],
        ...COOLANT_SCHOOLS.map((each) => [each, each] as const),
      ])}
      {choose("label", "Which coolant", [
        ["card's", card.coolantProduct ? `${card.coolantProduct}, card's` : "the card's"],
        ...page.coolants
          .filter((each) => !isCards(each, card))
          .map(
            (each) =>
              [shelfLabel(each), `${each.item}, ${KIND_WORDS[each.kind as Kind] ?? each.kind}`] as const,
          ),
        ["another", "another"],
      ])}
      {choose("kind", "Its kind", [
        ["", "as listed"],
        ...KINDS.map((each) => [each, KIND_WORDS[each]] as const),
      ])}
      {text("target", "Wanted", "%", String(Math.round(targetFraction * 100)))}
      {text(
        "coldest",
        "Has to stand",
        SHOWN.temperature[system].label,
        read.coldestC === undefined
          ? undefined
          : String(Math.round(toShown(read.coldestC, "temperature", system))),
      )}
      {text("altitude", "Highest it goes", "m", String(read.altitudeM))}
      {text("room", "Room over the line", SHOWN.volume[system].label)}
    </div>
  );
}
