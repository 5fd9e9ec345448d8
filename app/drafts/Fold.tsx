import { ChevronDown, ChevronRight } from "lucide-react";
import { type ReactNode, useId, useState } from "react";
import { useDraft } from "./useDraft.ts";

/** Where something long is one line until it is opened: nowhere, where there is little room, everywhere. */
export type Folds = "never" | "narrow" | "always";

export interface FoldGiven {
  /** What it is remembered by, beside its name. */
  of: string;
  name: string;
  /** Beside its name while it is open. */
  hint?: ReactNode;
  /** What is in it already, said while it is folded. */
  says?: ReactNode;
  /** As the page comes; nothing is folded under somebody's hands afterwards. */
  folds: Folds;
  className?: string;
  children: ReactNode;
}

/**
 * Something long behind one line with its name and what is in it, so that what is in hand stays near. Whether it was opened is
 * remembered for what it is `of`.
 */
export function Fold({ of, name, hint, says, folds: asked, className = "font-bold", children }: FoldGiven) {
  const id = useId();
  const [folds] = useState(asked);
  const [isChosen, setChosen] = useDraft<boolean | undefined>(`fold:${of}:${name}`, undefined);
  const isOpen = isChosen ?? false;
  const Chevron = isOpen ? ChevronDown : ChevronRight;
  const plain = (
    <>
      {name} {hint && <span className="font-normal text-ink-2">{hint}</span>}
    </>
  );
  return (
    <section aria-labelledby={id}>
      <h3 id={id} className={`${className} ${folds === "never" ? "mb-2" : ""}`}>
        {folds !== "never" && (
          <button
            type="button"
            className={`flex min-h-12 w-full items-center gap-2 border-rule border-b text-left ${isOpen ? "mb-2" : ""} ${folds === "narrow" ? "sm:hidden" : ""}`}
            aria-expanded={isOpen}
            onClick={() => setChosen(!isOpen)}
          >
            <Chevron aria-hidden="true" className="shrink-0" />
            <span>
              {name} {!isOpen && says && <span className="font-normal text-base text-ink-2">{says}</span>}
            </span>
          </button>
        )}
        {folds !== "always" && (
          <span className={folds === "narrow" ? "mb-2 block max-sm:hidden" : ""}>{plain}</span>
        )}
      </h3>
      {/* What is folded away answers to no key, and costs a slow tablet nothing. */}
      {(isOpen || folds !== "always") && (
        <div className={!isOpen && folds === "narrow" ? "max-sm:hidden print:block" : ""}>{children}</div>
      )}
    </section>
  );
}
