import { lengthTrouble, ROWS, type UnitFields } from "./fit-fields.ts";

type Which = "old" | "made";

function MeasureCell({
  label,
  row,
  value,
  onChange,
  isDisabled,
}: {
  label: string;
  row: (typeof ROWS)[number];
  value: string;
  onChange: (text: string) => void;
  isDisabled: boolean;
}) {
  if (row.options)
    return (
      <select
        aria-label={label}
        className="field-box w-full"
        value={value}
        disabled={isDisabled}
        onChange={(event) => onChange(event.target.value)}
      >
        <option value="">not looked at</option>
        {row.options.map((option) => (
          <option key={option}>{option}</option>
        ))}
      </select>
    );
  const trouble = row.isWord ? undefined : lengthTrouble(value);
  return (
    <>
      <input
        aria-label={label}
        aria-invalid={trouble ? true : undefined}
        className={`field-box w-full ${row.isWord ? "" : "figure"}`}
        inputMode={row.isWord ? undefined : "decimal"}
        autoComplete="off"
        maxLength={row.isWord ? 60 : 8}
        value={value}
        disabled={isDisabled}
        onChange={(event) => onChange(event.target.value)}
      />
      {trouble && <p className="border-ink border-l-4 pl-2 font-bold text-sm">{trouble}</p>}
    </>
  );
}

/** Old and new as paired columns, filled at the bench. */
export function MeasureTable({
  units,
  isDisabled,
  onChange,
}: {
  units: Record<Which, UnitFields>;
  isDisabled: boolean;
  onChange: (which: Which, name: keyof UnitFields, text: string) => void;
}) {
  return (
    <table className="w-full">
      <thead>
        <tr className="text-left">
          <th scope="col" className="py-1">
            mm
          </th>
          <th scope="col" className="w-1/3 px-2">
            Old one
          </th>
          <th scope="col" className="w-1/3 px-2">
            New one
          </th>
        </tr>
      </thead>
      <tbody>
        {ROWS.map((row) => (
          <tr key={row.name} className="align-top">
            <th scope="row" className="py-3 pr-2 text-left font-normal text-ink-2">
              {row.label}
            </th>
            {(["old", "made"] as const).map((which) => (
              <td key={which} className="px-2 py-1">
                <MeasureCell
                  label={`${row.label}, ${which === "old" ? "old one" : "new one"}`}
                  row={row}
                  value={units[which][row.name]}
                  isDisabled={isDisabled}
                  onChange={(text) => onChange(which, row.name, text)}
                />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
