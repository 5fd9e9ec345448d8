import { useState } from "react";
import { proved } from "../../../core/book/acts/index.ts";
import { Proof } from "../../../core/book/facts/index.ts";
import { inShownUnits } from "../../../core/kernel/units/index.ts";
import { VERDICT_WORDS } from "../../../core/kernel/verdict/index.ts";
import { type ProofRow, proofsOf, provenCar } from "../../../core/state/index.ts";
import { Button } from "../../ui/Button.tsx";
import { ReasonForm } from "../../ui/ReasonForm.tsx";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { useJob } from "../stage/context.ts";

type Asked = { proof: ProofRow["proof"]; verdict: "fail" | "not-seen" };

const USUAL = {
  fail: ["weeps at a joint", "wrong way round", "never came", "stays lukewarm"],
  "not-seen": [
    "never reached at idle",
    "no time before hand-over",
    "not allowed to drive it",
    "no tool for it",
  ],
} as const;

/** What the work asks to be proven, each pass, fail or not seen; what isn't seen takes a reason, here or at the signature. */
export function Proofs() {
  const { page, entries, system, book, mayBook } = useJob();
  const [asked, setAsked] = useState<Asked>();
  const { card } = page;
  const rows = proofsOf(entries, provenCar(card));
  const say = (row: ProofRow, verdict: Proof["verdict"], because?: string) => {
    if (book(proved(row, verdict, because))) setAsked(undefined);
  };
  if (rows.length === 0) return null;
  return (
    <section aria-labelledby="proofs">
      <h3 id="proofs" className="text-xl">
        Proven
      </h3>
      <p className="mb-2 text-ink-2 max-sm:sr-only">
        What the work asks for. The log and the readings answer by themselves; the rest is yours to see.
      </p>
      <ul className="border-ink border-t-2">
        {rows.map((row) => {
          const { proof, words, how, verdict, because } = row;
          const isAsked = asked?.proof === proof;
          return (
            <li key={proof} className="border-rule border-b py-2" data-proof={proof} data-verdict={verdict}>
              <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
                <span className="flex min-w-60 flex-1 gap-3">
                  <span className="pt-0.5">
                    <VerdictShape verdict={verdict} />
                  </span>
                  <span>
                    <span className="font-bold">{words}</span>{" "}
                    <span className="text-ink-2">{because ? inShownUnits(because, system) : how}</span>
                  </span>
                </span>
                <fieldset className="flex gap-2">
                  <legend className="sr-only">{words}</legend>
                  {(["pass", "fail", "not-seen"] as const).map((given) => (
                    <Button
                      key={given}
                      weight={given === "pass" ? "plain" : "quiet"}
                      className="px-3"
                      disabled={!mayBook}
                      aria-label={`${words}: ${VERDICT_WORDS[given]}`}
                      onClick={() =>
                        given === "pass" ? say(row, given) : setAsked({ proof, verdict: given })
                      }
                    >
                      {VERDICT_WORDS[given]}
                    </Button>
                  ))}
                </fieldset>
              </div>
              {isAsked && (
                <ReasonForm
                  label={asked.verdict === "fail" ? `How ${words} failed` : `Why ${words} was not seen`}
                  usual={USUAL[asked.verdict]}
                  onBook={(reason) => say(row, asked.verdict, reason)}
                  onLeave={() => setAsked(undefined)}
                />
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
