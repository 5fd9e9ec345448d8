import { thing } from "../../../core/book/out/index.ts";
import type { ComesOff } from "../../../core/stages/strip/index.ts";
import { Amount } from "../../ui/Amount.tsx";

const MOST = 40;

export const keyOf = ({ account, item, place, where = "" }: ComesOff) =>
  `${account}|${item}|${place}|${where}`;

/** What came off with the step in hand: as the last job on the model had it, put right by count, booked with the step. */
export function CameWith({
  things,
  counts,
  isOff,
  onCount,
}: {
  things: readonly ComesOff[];
  counts: Readonly<Record<string, number>>;
  isOff: boolean;
  onCount: (key: string, count: number) => void;
}) {
  if (things.length === 0) return null;
  const isLast = things.some(({ from }) => from === "last job");
  return (
    <fieldset className="basis-full">
      <legend className="font-bold">
        What came off with it{" "}
        <span className="font-normal text-ink-2">
          {isLast ? "as on the last job on this model; “Done” alone books none of it" : "none until counted"}
        </span>
      </legend>
      <ul className="grid gap-x-6 gap-y-1 md:grid-cols-2">
        {things.map((each) => {
          const key = keyOf(each);
          const words = [thing(each), each.where].filter(Boolean).join(", ");
          return (
            <li key={key} className="flex items-center justify-between gap-3 border-rule border-b py-1">
              <span className="min-w-0 break-words">{words}</span>
              <Amount
                label={words}
                value={counts[key] ?? each.count}
                least={0}
                most={MOST}
                isOff={isOff}
                onChange={(count) => onCount(key, count)}
              />
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}
