import { sawSign } from "../../../../core/book/acts/index.ts";
import type { BleedRun } from "../../../../core/stages/fill/index.ts";
import { SIGN_WORDS, SIGNS, type Sign } from "../../../../core/trade/bleed/index.ts";
import { ChipsOne } from "../../../ui/Chips.tsx";
import { useJob } from "../../stage/context.ts";

const SAID = { pass: "It is so", fail: "Not so", "not-seen": "Not seen" } as const;
/** Told by the top-ups themselves. */
const BY_CYCLES: Sign = "level";

/** What tells that the air is out, each seen, not so, or not seen. */
export function Signs({ run }: { run: BleedRun }) {
  const { book, mayBook } = useJob();
  return (
    <section aria-labelledby="signs" className="flex flex-col gap-2">
      <h4 id="signs" className="font-bold text-lg">
        What tells that it is out
      </h4>
      <ul>
        {SIGNS.filter((sign) => sign !== BY_CYCLES).map((sign) => (
          <li
            key={sign}
            className="flex flex-wrap items-center justify-between gap-x-4 border-rule border-b py-1"
          >
            <span>{SIGN_WORDS[sign]}</span>
            <ChipsOne
              label={SIGN_WORDS[sign]}
              options={Object.keys(SAID)}
              words={SAID}
              isNamedWhole
              isOff={!mayBook}
              value={run.signs[sign] ?? ""}
              onChange={(verdict) => {
                if (verdict && verdict !== run.signs[sign]) book(sawSign(sign, verdict as keyof typeof SAID));
              }}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}
