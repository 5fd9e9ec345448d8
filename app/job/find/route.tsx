import { useState } from "react";
import { findingOf } from "../../../core/job/index.ts";
import type { Verdict } from "../../../core/judgement/index.ts";
import { standing } from "../../../core/ledger/index.ts";
import { Button } from "../../ui/Button.tsx";
import { TextArea, TextField } from "../../ui/Field.tsx";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { useJob } from "../context.ts";
import { useDraft } from "../outbox/useDraft.ts";
import { Cautions, Work } from "../Work.tsx";

const OUTCOMES: { verdict: Verdict; label: string }[] = [
  { verdict: "pass", label: "Passed" },
  { verdict: "fail", label: "Failed" },
  { verdict: "not-seen", label: "Not seen" },
];

/** Tests by hand, cheapest first, for the suggestions under the field. */
const COMMON_TESTS = [
  "look and listen",
  "air conditioning on",
  "fan fuse and its neighbours",
  "fused jumper across the switch plug, low pair",
  "fused jumper across the switch plug, high pair",
  "coolant sensor unplugged",
  "live values against room, cold",
  "fan fed directly, fused",
  "relay swapped with its twin",
  "voltage drop under load",
  "switch in the pot",
  "pressure test at cap rating",
  "combustion gas test",
];

function TestDone() {
  const { page, book, mayBook } = useJob();
  const [what, setWhat] = useDraft(`test:${page.job.id}`);
  const [seen, setSeen] = useDraft(`seen:${page.job.id}`);
  const [isAsked, setAsked] = useState(false);
  const done = (verdict: Verdict) => {
    if (!what.trim()) return setAsked(true);
    book({
      kind: "test",
      item: what.trim(),
      ...(seen.trim() ? { text: seen.trim() } : {}),
      data: { verdict },
    });
    setWhat("");
    setSeen("");
    setAsked(false);
  };
  return (
    <section aria-labelledby="test" className="flex flex-col gap-4">
      <h3 id="test" className="text-xl">
        A test you did
      </h3>
      <TextField
        label="What was tested"
        list="common-tests"
        maxLength={120}
        value={what}
        error={isAsked && !what.trim() ? "Say what was tested first." : undefined}
        onChange={(event) => setWhat(event.target.value)}
        disabled={!mayBook}
      />
      <datalist id="common-tests">
        {COMMON_TESTS.map((test) => (
          <option key={test} value={test} />
        ))}
      </datalist>
      <TextField
        label="What you saw"
        maxLength={500}
        value={seen}
        placeholder="continuity on all three"
        onChange={(event) => setSeen(event.target.value)}
        disabled={!mayBook}
      />
      <div className="grid grid-cols-3 gap-2">
        {OUTCOMES.map(({ verdict, label }) => (
          <Button key={verdict} onClick={() => done(verdict)} disabled={!mayBook} className="min-h-16 px-2">
            <span aria-hidden="true">
              <VerdictShape verdict={verdict} />
            </span>
            {label}
          </Button>
        ))}
      </div>
    </section>
  );
}

function WhatIsIt() {
  const { page, entries, book, mayBook } = useJob();
  const finding = findingOf(entries);
  const [words, setWords] = useDraft(`finding:${page.job.id}`);
  const [isAsked, setAsked] = useState(false);
  const say = (kind: "fault" | "nothing-wrong") => {
    const text = words.trim() || (kind === "nothing-wrong" ? "Within its card, nothing wrong" : "");
    if (!text) return setAsked(true);
    const draft = { kind: "decision" as const, item: "finding", text, data: { finding: kind } };
    book(finding ? { ...draft, corrects: finding.entryId } : draft);
    setWords("");
    setAsked(false);
  };
  return (
    <section aria-labelledby="finding" className="flex flex-col gap-4">
      <h3 id="finding" className="text-xl">
        What is it?
      </h3>
      {finding && (
        <p className="border-ink border-l-[6px] bg-wash py-2 pl-4">
          <span className="block text-ink-2">
            {finding.kind === "nothing-wrong" ? "Nothing wrong" : "The fault"}
          </span>
          <span className="font-bold text-lg">{finding.words}</span>
        </p>
      )}
      <TextArea
        label={finding ? "Say it anew" : "In one sentence"}
        rows={2}
        maxLength={500}
        value={words}
        error={isAsked && !words.trim() ? "Say what the fault is." : undefined}
        onChange={(event) => setWords(event.target.value)}
        disabled={!mayBook}
      />
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={() => say("fault")} disabled={!mayBook} className="min-h-16">
          This is the fault
        </Button>
        <Button onClick={() => say("nothing-wrong")} disabled={!mayBook} className="min-h-16">
          Nothing wrong
        </Button>
      </div>
    </section>
  );
}

const CAUTIONS = [
  "A fan may start at any moment, key off too: unplug it before hands go in. Fused jumpers only.",
];

/** Tests and the finding, by hand. */
export default function Find() {
  const { entries } = useJob();
  const tests = standing(entries).filter((entry) => entry.kind === "test");
  return (
    <Work
      title="What do the tests say?"
      next={{
        label: findingOf(entries)?.kind === "nothing-wrong" ? "On to Sign" : "On to Plan",
        to: findingOf(entries)?.kind === "nothing-wrong" ? "sign" : "plan",
      }}
    >
      <Cautions texts={CAUTIONS} />
      <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
        <TestDone />
        <WhatIsIt />
      </div>
      <section aria-labelledby="done">
        <h3 id="done" className="mb-1 text-xl">
          Tested so far
        </h3>
        {tests.length === 0 && (
          <p className="text-ink-2">Nothing yet. Look and listen first: it costs nothing.</p>
        )}
        <ul>
          {tests.map((test) => (
            <li key={test.id} className="flex gap-3 border-rule border-b py-2">
              <VerdictShape verdict={test.data?.verdict as Verdict} />
              <span>
                <span className="font-bold">{test.item}</span>{" "}
                {test.text && <span className="text-ink-2">{test.text}</span>}
              </span>
            </li>
          ))}
        </ul>
      </section>
    </Work>
  );
}
