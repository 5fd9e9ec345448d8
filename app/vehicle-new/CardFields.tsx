import { SHOWN, toShown } from "../../core/kernel/units/index.ts";
import { CARD_FIELDS, CARD_NAMES, type CardField, type CoolingCard } from "../../core/trade/car/index.ts";
import { useMember } from "../desk/member.ts";
import { Choice, TextField } from "../ui/Field.tsx";

/** So many that a card opened and written again says the same, whatever the units. */
const DIGITS = 7;

interface Asked {
  field: CardField;
  name: string;
  label: string;
  hint?: string | undefined;
  value: unknown;
}

function askedOf(name: keyof CoolingCard, card: CoolingCard | null | undefined, stage = 0): Asked {
  const field = CARD_FIELDS[name];
  const value = card?.[name];
  return {
    field,
    name: [field.asked].flat()[stage] ?? "",
    label: [field.label].flat()[stage] ?? "",
    hint: stage === 0 ? field.hint : undefined,
    value: (field.is === "stages" ? (value as (number | null)[] | undefined)?.[stage] : value) ?? undefined,
  };
}

/** What a form for a card asks for, with what the card says; a high stage, which few have, behind what is asked of each fan. */
const allAsked = (card: CoolingCard | null | undefined): Asked[] =>
  CARD_NAMES.flatMap((name) => [
    askedOf(name, card),
    ...(name === "fanSenses" ? [askedOf("fanOnC", card, 1), askedOf("fanOffC", card, 1)] : []),
  ]);

/** A cooling card's fields, empty or with what the card says. */
export function CardFields({ fields, card }: { fields: Record<string, string>; card?: CoolingCard | null }) {
  return (
    <fieldset className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
      <legend className="mb-3 border-ink border-b-2 font-bold text-xl">
        Its cooling card, by the maker's book
      </legend>
      {allAsked(card).map((asked) => (
        <OneField key={asked.name} {...asked} error={fields[asked.name]} />
      ))}
    </fieldset>
  );
}

function OneField({ field, name, label, hint, value, error }: Asked & { error: string | undefined }) {
  const { units } = useMember();
  const shared = { label, name, error, ...(hint && { hint }) };
  if (field.is === "choice")
    return (
      <Choice
        {...shared}
        defaultValue={String(value ?? field.usual ?? "")}
        required={!field.open && !field.usual}
      >
        {field.usual === undefined && (
          <option value="" disabled={!field.open}>
            {field.open ?? "choose"}
          </option>
        )}
        {field.of.map((each) => (
          <option key={each} value={each}>
            {field.words?.[each] ?? each}
          </option>
        ))}
      </Choice>
    );
  if (field.is === "curve")
    return (
      <div className="sm:col-span-2">
        <TextField
          {...shared}
          defaultValue={((value ?? []) as CoolingCard["sensorCurve"])
            .map(({ celsius, ohms }) => `${celsius}: ${ohms}`)
            .join("; ")}
          maxLength={field.most}
          className="figure"
          placeholder="20: 2500; 80: 320; 100: 180"
        />
      </div>
    );
  if (field.is === "text")
    return <TextField {...shared} defaultValue={value as string | undefined} maxLength={field.most} />;
  const { dimension } = field;
  const digits = (figure: number) => Number(toShown(figure, dimension, units).toPrecision(DIGITS));
  const isShare = dimension === "fraction";
  const usual = field.is === "figure" ? field.usual : undefined;
  const beside = field.is === "figure" ? field.beside : undefined;
  const unit = [SHOWN[dimension][units].label, beside].filter(Boolean).join(" ");
  return (
    <TextField
      {...shared}
      defaultValue={value === undefined ? usual : `${digits(value as number)}${isShare ? " %" : ""}`}
      required={field.is === "figure" && !field.open}
      {...(field.open && { placeholder: field.open })}
      inputMode="decimal"
      {...(!isShare && { unit })}
    />
  );
}
