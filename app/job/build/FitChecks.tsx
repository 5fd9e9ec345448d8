import { checkedFit } from "../../../core/book/acts/index.ts";
import { fitVerdicts } from "../../../core/book/out/index.ts";
import { FIT_CHECKS } from "../../../core/trade/order/index.ts";
import { Button } from "../../ui/Button.tsx";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { useJob } from "../stage/context.ts";

/** Everything that is looked at as a car goes together: right, not right, or not seen. */
export function FitChecks() {
  const { entries, book, mayBook } = useJob();
  const verdicts = fitVerdicts(entries);
  const say = (check: string, verdict: "pass" | "fail", text: string) =>
    book(checkedFit(check, verdict, text));
  return (
    <div className="flex flex-col gap-5">
      {FIT_CHECKS.map(({ id, title, checks }) => (
        <section key={id} aria-labelledby={`checks-${id}`}>
          <h4 id={`checks-${id}`} className="font-bold text-lg">
            {title}
          </h4>
          <ul className="border-ink border-t-2">
            {checks.map((check) => {
              const verdict = verdicts.get(check.id) ?? "not-seen";
              return (
                <li
                  key={check.id}
                  className="flex flex-wrap items-center gap-x-3 gap-y-2 border-rule border-b py-1"
                >
                  <VerdictShape verdict={verdict} />
                  <span className="min-w-48 flex-1 leading-snug">
                    {verdict === "fail" ? <span className="font-bold">{check.wrong}</span> : check.words}
                  </span>
                  <span className="flex gap-2">
                    <Button
                      className="px-3"
                      aria-label={`Right: ${check.words}`}
                      disabled={!mayBook || verdict === "pass"}
                      onClick={() => say(check.id, "pass", check.words)}
                    >
                      Right
                    </Button>
                    <Button
                      className="px-3"
                      weight="quiet"
                      aria-label={`Not right: ${check.words}`}
                      disabled={!mayBook || verdict === "fail"}
                      onClick={() => say(check.id, "fail", check.wrong)}
                    >
                      Not right
                    </Button>
                  </span>
                </li>
              );
            })}
          </ul>
        </section>
      ))}
    </div>
  );
}
