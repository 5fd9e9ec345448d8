import { TextField } from "../../../ui/Field.tsx";
import { lengthTrouble, type SpaceFields } from "./fit-fields.ts";

const LENGTHS = [
  ["depth", "Room behind its face"],
  ["fan", "Fan in that room, deep"],
  ["shroud", "Free now, shroud to fan"],
  ["pipes", "Free now, to the charge pipes"],
  ["below", "Room from its top to the skid plate"],
  ["plusMinus", "Give or take"],
] as const;

/** The room that the radiator stands in. */
export function SpaceRow({
  space,
  isDisabled,
  onChange,
}: {
  space: SpaceFields;
  isDisabled: boolean;
  onChange: (space: SpaceFields) => void;
}) {
  return (
    <div className="flex flex-wrap items-start gap-4">
      {LENGTHS.map(([name, label]) => (
        <div key={name} className="w-44">
          <TextField
            label={label}
            unit="mm"
            inputMode="decimal"
            className="figure"
            maxLength={8}
            value={space[name]}
            error={lengthTrouble(space[name])}
            disabled={isDisabled}
            onChange={(event) => onChange({ ...space, [name]: event.target.value })}
          />
        </div>
      ))}
      <div className="w-52">
        <TextField
          label="What stands behind it"
          placeholder="the belt"
          maxLength={40}
          value={space.name}
          disabled={isDisabled}
          onChange={(event) => onChange({ ...space, name: event.target.value })}
        />
      </div>
    </div>
  );
}
