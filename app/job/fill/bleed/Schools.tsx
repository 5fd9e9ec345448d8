import { useState } from "react";
import { inShownTemperatures } from "../../../../core/kernel/units/index.ts";
import { type Method, SCHOOL_WORDS } from "../../../../core/trade/bleed/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";
import { useJob } from "../../stage/context.ts";

const SUITS = { best: "suits it best", well: "can be done", weakly: "weak here" } as const;

const sentence = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** Every school of getting the air out, the one that suits this car best first, each with its reason. A person chooses. */
export function Schools({
  methods,
  onBegin,
}: {
  methods: readonly Method[];
  onBegin: (method: Method) => void;
}) {
  const { mayBook, system } = useJob();
  const [isAll, setAll] = useState(false);
  const shown = isAll ? methods : methods.filter(({ suits }) => suits !== "weakly").slice(0, 3);
  return (
    <div className="flex flex-col gap-2">
      <ul className="border-ink border-t-2">
        {shown.map((method) => (
          <li
            key={method.school}
            className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-rule border-b py-2"
          >
            <span className="min-w-52 flex-1">
              <span className="flex items-center gap-2">
                {method.suits === "best" && <VerdictShape verdict="pass" />}
                <span className="font-bold">{sentence(SCHOOL_WORDS[method.school])}</span>{" "}
                <span className="text-ink-2">{SUITS[method.suits]}</span>
              </span>
              <span className="block">{inShownTemperatures(method.because, system)}</span>
            </span>
            <Button
              disabled={!mayBook}
              aria-label={`Begin: ${SCHOOL_WORDS[method.school]}`}
              onClick={() => onBegin(method)}
            >
              Begin
            </Button>
          </li>
        ))}
      </ul>
      {!isAll && shown.length < methods.length && (
        <Button weight="quiet" className="self-start" onClick={() => setAll(true)}>
          The other {methods.length - shown.length}
        </Button>
      )}
    </div>
  );
}
