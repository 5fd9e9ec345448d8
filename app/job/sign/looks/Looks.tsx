import { useState } from "react";
import { v4 as newId } from "uuid";
import { dueWords, saidLook } from "../../../../core/book/acts/index.ts";
import { Distance, FollowUpSaid, lastFact } from "../../../../core/book/facts/index.ts";
import { inShownUnits } from "../../../../core/kernel/units/index.ts";
import { promisesOf } from "../../../../core/stages/plan/index.ts";
import { workDone } from "../../../../core/state/index.ts";
import { followUps } from "../../../../core/trade/follow-ups/index.ts";
import type { LooksToldBy } from "../../../../server/subjects/follow-ups/read-looks.ts";
import { Button } from "../../../ui/Button.tsx";
import { TextField } from "../../../ui/Field.tsx";
import { ReasonForm } from "../../../ui/ReasonForm.tsx";
import { useJob } from "../../stage/context.ts";
import { MoveForm } from "./MoveForm.tsx";

interface Row {
  key: string;
  what: string;
  on?: string;
  byKm?: number;
  state: "due" | "open" | "done" | "dropped";
  because?: string;
}

const STATES = { due: "", open: "", done: "done", dropped: "left out" } as const;

/** What is looked at again and by when: before the signature what it will promise, after it what became of that. */
export function Looks({ rules, driving, today }: LooksToldBy) {
  const { page, entries, system, book, mayCorrect, maySay } = useJob();
  const [asked, setAsked] = useState<{ key: string; act: "move" | "drop" | "done" }>();
  const [isAdding, setAdding] = useState(false);
  const isSigned = page.job.signedAt !== null;
  const promised = promisesOf(entries);
  const distanceKm = lastFact(entries, Distance)?.entry.value;
  const work = {
    signedOn: today,
    calls: workDone(entries).calls,
    ...(distanceKm === undefined ? {} : { distanceKm }),
  };
  const due = isSigned ? [] : followUps(work, rules, driving ?? undefined);
  const rows: Row[] = [
    ...promised.map(({ said, ...each }) => ({ ...each, ...(said ? { because: said } : {}) })),
    ...due
      .filter(({ rule }) => !promised.some(({ key }) => key === rule))
      .map(({ rule, words, ...each }) => ({ key: rule, what: words, state: "due" as const, ...each })),
  ];
  const may = isSigned ? mayCorrect : maySay;
  const when = (row: Pick<Row, "on" | "byKm">) => dueWords(row, system);
  const say = ({ key, what, on, byKm }: Omit<Row, "state">, does: FollowUpSaid["does"], because?: string) => {
    const about = {
      key,
      what,
      ...(on && { on }),
      ...(byKm !== undefined && { byKm }),
      ...(because && { because }),
    };
    if (book(saidLook({ ...about, does }, system))) {
      setAsked(undefined);
      setAdding(false);
    }
  };
  if (rows.length === 0 && !may) return null;
  return (
    <section aria-labelledby="looks">
      <h3 id="looks" className="text-xl">
        To look at again
      </h3>
      {!isSigned && <Told isAny={rows.length > 0} />}
      <ul className={rows.length > 0 ? "mt-1 border-ink border-t-2" : ""}>
        {rows.map((row) => {
          const isOpen = row.state === "due" || row.state === "open";
          const act = asked?.key === row.key ? asked.act : undefined;
          return (
            <li
              key={row.key}
              className="border-rule border-b py-2"
              data-look={row.key}
              data-state={row.state}
            >
              <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                <span className="min-w-60 flex-1">
                  <span className="font-bold">{row.what}</span> {isOpen ? when(row) : STATES[row.state]}{" "}
                  <span className="text-ink-2">{row.because ? inShownUnits(row.because, system) : ""}</span>
                </span>
                {may && isOpen && (
                  <>
                    {isSigned && (
                      <Button
                        className="px-3"
                        aria-label={`Done: ${row.what}`}
                        onClick={() => setAsked({ key: row.key, act: "done" })}
                      >
                        Done
                      </Button>
                    )}
                    <Button
                      weight="quiet"
                      className="px-3"
                      aria-label={`Another day: ${row.what}`}
                      onClick={() => setAsked({ key: row.key, act: "move" })}
                    >
                      Another day
                    </Button>
                    <Button
                      weight="quiet"
                      className="px-3"
                      aria-label={`Leave it out: ${row.what}`}
                      onClick={() => setAsked({ key: row.key, act: "drop" })}
                    >
                      Leave it out
                    </Button>
                  </>
                )}
              </div>
              {act === "move" && (
                <MoveForm
                  from={today}
                  on={row.on ?? today}
                  onMove={(on, because) => say({ ...row, on }, "moved", because)}
                  onLeave={() => setAsked(undefined)}
                />
              )}
              {act === "drop" && (
                <ReasonForm
                  label="Why is it left out?"
                  usual={["the owner looks himself", "the vehicle leaves the shop"]}
                  onBook={(because) => say(row, "dropped", because)}
                  onLeave={() => setAsked(undefined)}
                />
              )}
              {act === "done" && (
                <ReasonForm
                  label="What was seen?"
                  usual={["as it should be", "topped up a little"]}
                  onBook={(because) => say(row, "done", because)}
                  onLeave={() => setAsked(undefined)}
                />
              )}
            </li>
          );
        })}
      </ul>
      {may && !isAdding && (
        <Button weight="quiet" onClick={() => setAdding(true)}>
          Add one
        </Button>
      )}
      {may && isAdding && (
        <AddForm today={today} onAdd={(what, on) => say({ key: newId(), what, on }, "promised")} />
      )}
    </section>
  );
}

const Told = ({ isAny }: { isAny: boolean }) => (
  <p className="text-ink-2">
    {isAny
      ? "By the shop's rules. Signing promises it, and Today asks for it."
      : "The shop's rules ask for nothing after such work."}
  </p>
);

function AddForm({ today, onAdd }: { today: string; onAdd: (what: string, on: string) => void }) {
  const [what, setWhat] = useState("");
  const [on, setOn] = useState("");
  const isReady = what.trim().length > 2 && on >= today;
  return (
    <form
      className="mt-2 flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (isReady) onAdd(what.trim(), on);
      }}
    >
      <div className="min-w-56 flex-1">
        <TextField
          label="What to look at"
          maxLength={120}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
        />
      </div>
      <TextField
        label="By"
        type="date"
        min={today}
        value={on}
        error={on !== "" && on < today ? "A day from today on." : undefined}
        onChange={(event) => setOn(event.target.value)}
      />
      <Button type="submit" className="mt-7" disabled={!isReady}>
        Promise it
      </Button>
    </form>
  );
}
