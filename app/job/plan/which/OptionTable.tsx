import type { ReactNode } from "react";
import type { Compared } from "../../../../core/trade/sourcing/index.ts";
import { GRADES } from "../../../../core/trade/sourcing/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { OptionCell } from "./OptionCell.tsx";
import { emptyOption, isGrade, type OptionFields, type OptionTroubles } from "./option-fields.ts";

const FIELDS = [
  ["supplier", "Supplier", ""],
  ["price", "Price", ""],
  ["freight", "Freight", ""],
  ["days", "Days to wait", ""],
  ["partDays", "Part guaranteed, days", ""],
  ["labourDays", "Work guaranteed, days", ""],
] as const;

interface Given {
  options: OptionFields[];
  troubles: ReadonlyMap<string, OptionTroubles>;
  compared: ReadonlyMap<string, Compared>;
  nameOf: (id: string) => string;
  money: (minor: number) => string;
  isDisabled: boolean;
  onChange: (options: OptionFields[]) => void;
  onChoose: (id: string) => void;
}

const percent = (odds: number) => (odds < 0.005 ? "under 1 in 100" : `${Math.round(odds * 100)} in 100`);
const daysWords = (days: number) => `${Number(days.toFixed(1))}`;

/** As narrow as a column may get before the table slides. */
const LEAST_REM = 8;

/** What a row says, where there is no room beside it. */
const InCell = ({ children }: { children: string }) => (
  <span className="block text-ink-2 text-sm sm:hidden">{children}</span>
);

/** Options side by side: what is offered above the rule, what it comes to below it. */
export function OptionTable({
  options,
  troubles,
  compared,
  nameOf,
  money,
  isDisabled,
  onChange,
  onChoose,
}: Given) {
  const put = (id: string, part: Partial<OptionFields>) =>
    onChange(options.map((each) => (each.id === id ? { ...each, ...part } : each)));
  const nth = (index: number) => `option ${index + 1}`;
  const results = (label: string, show: (found: Compared) => ReactNode) => (
    <tr className="border-rule border-t align-top">
      <th scope="row" className="py-2 pr-3 text-left font-normal text-ink-2 max-sm:hidden">
        {label}
      </th>
      {options.map(({ id }) => {
        const found = compared.get(id);
        return (
          <td key={id} className="px-2 py-2 max-sm:px-1">
            <InCell>{label}</InCell>
            {found ? show(found) : <span className="text-ink-2">not yet</span>}
          </td>
        );
      })}
    </tr>
  );
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section tabIndex={0} aria-label="Options side by side" className="overflow-x-auto">
      <table className="w-full max-sm:table-fixed" style={{ minWidth: `${options.length * LEAST_REM}rem` }}>
        <thead>
          <tr className="align-bottom">
            <td className="w-36 max-sm:hidden" />
            {options.map((option, index) => (
              <th key={option.id} scope="col" className="px-2 pb-1 text-left">
                <span className="block text-lg">{nth(index).replace("o", "O")}</span>
                {options.length > 2 && (
                  <Button
                    weight="quiet"
                    className="-ml-5"
                    aria-label={`Leave out ${nth(index)}`}
                    disabled={isDisabled}
                    onClick={() => onChange(options.filter(({ id }) => id !== option.id))}
                  >
                    Leave out
                  </Button>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row" className="py-1 pr-3 text-left font-normal text-ink-2 max-sm:hidden">
              Grade
            </th>
            {options.map((option, index) => (
              <td key={option.id} className="px-2 py-1 max-sm:px-1">
                <InCell>Grade</InCell>
                <select
                  aria-label={`Grade of ${nth(index)}`}
                  className="field-box w-full min-w-0 max-sm:px-2"
                  value={option.grade}
                  disabled={isDisabled}
                  onChange={({ target: { value } }) => {
                    if (!isGrade(value)) return;
                    const { partDays, labourDays } = emptyOption("", value);
                    put(option.id, { grade: value, partDays, labourDays });
                  }}
                >
                  {GRADES.map((grade) => (
                    <option key={grade}>{grade}</option>
                  ))}
                </select>
              </td>
            ))}
          </tr>
          {FIELDS.map(([name, label]) => (
            <tr key={name} className="align-top">
              <th scope="row" className="py-3 pr-3 text-left font-normal text-ink-2 max-sm:hidden">
                {label}
              </th>
              {options.map((option, index) => (
                <td key={option.id} className="px-2 py-1 max-sm:px-1">
                  <InCell>{label}</InCell>
                  <OptionCell
                    label={`${label} of ${nth(index)}`}
                    value={option[name]}
                    error={troubles.get(option.id)?.[name]}
                    isFigure={name !== "supplier"}
                    isDisabled={isDisabled}
                    onChange={(text) => put(option.id, { [name]: text })}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
        <tbody className="border-ink border-t-4 border-double">
          {results("Comes to, on average", ({ expectedCents }) => (
            <span className="figure text-3xl">{money(expectedCents)}</span>
          ))}
          {results("Eight of ten jobs end", ({ p10Cents, p90Cents }) => (
            <span className="figure">
              {money(p10Cents)} to {money(p90Cents)}
            </span>
          ))}
          {results("Days off the road", ({ daysOff }) => (
            <span className="figure">{daysWords(daysOff)}</span>
          ))}
          {results("Done twice", ({ oddsTwice }) => percent(oddsTwice))}
          {results("What decides it", ({ because }) => because)}
          <tr>
            <td className="max-sm:hidden" />
            {options.map(({ id }) => (
              <td key={id} className="px-2 pt-2">
                <Button
                  className="w-full max-sm:px-2"
                  disabled={isDisabled || !compared.has(id)}
                  onClick={() => onChoose(id)}
                  aria-label={compared.has(id) ? `Choose this: ${nameOf(id)}` : undefined}
                >
                  Choose this
                </Button>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </section>
  );
}
