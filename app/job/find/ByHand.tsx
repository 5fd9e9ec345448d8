import { memo, useState } from "react";
import { decidedInWords, testedOwn } from "../../../core/book/acts/index.ts";
import type { Verdict } from "../../../core/kernel/verdict/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { TextArea, TextField } from "../../ui/Field.tsx";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { useJob } from "../stage/context.ts";
import type { Find } from "./belief/useFind.ts";

const OUTCOMES: { verdict: Verdict; label: string }[] = [
  { verdict: "pass", label: "Passed" },
  { verdict: "fail", label: "Failed" },
  { verdict: "not-seen", label: "Not seen" },
];

/** A test of one's own: it stands in the book and moves no belief. */
function OwnTest() {
  const { page, book, mayBook } = useJob();
  const [what, setWhat] = useDraft(`test:${page.job.id}`);
  const [seen, setSeen] = useDraft(`seen:${page.job.id}`);
  const [isAsked, setAsked] = useState(false);
  const done = (verdict: Verdict) => {
    if (!what.trim()) return setAsked(true);
    book(testedOwn(what.trim(), verdict, seen));
    setWhat("");
    setSeen("");
    setAsked(false);
  };
  return (
    <section aria-labelledby="own" className="flex flex-col gap-3">
      <h4 id="own" className="font-bold">
        A test of your own
      </h4>
      <TextField
        label="What was tested"
        maxLength={120}
        value={what}
        error={isAsked && !what.trim() ? "Say what was tested first." : undefined}
        onChange={(event) => setWhat(event.target.value)}
        disabled={!mayBook}
      />
      <TextField
        label="What you saw"
        maxLength={500}
        value={seen}
        onChange={(event) => setSeen(event.target.value)}
        disabled={!mayBook}
      />
      <div className="grid grid-cols-3 gap-2">
        {OUTCOMES.map(({ verdict, label }) => (
          <Button key={verdict} onClick={() => done(verdict)} disabled={!mayBook} className="min-h-14 px-2">
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

/** The verdict in one's own words; the program's is only an offer. */
function OwnVerdict({ find }: { find: Find }) {
  const { page, book, mayBook } = useJob();
  const { finding } = find;
  const [words, setWords] = useDraft(`finding:${page.job.id}`);
  const [isAsked, setAsked] = useState(false);
  const say = (kind: "fault" | "nothing-wrong") => {
    if (!words.trim() && kind === "fault") return setAsked(true);
    book(decidedInWords(kind, words.trim(), finding?.entryId));
    setWords("");
    setAsked(false);
  };
  return (
    <section aria-labelledby="own-verdict" className="flex flex-col gap-3">
      <h4 id="own-verdict" className="font-bold">
        The verdict in your words
      </h4>
      <TextArea
        label="In one sentence"
        rows={2}
        maxLength={500}
        value={words}
        error={isAsked && !words.trim() ? "Say what the fault is." : undefined}
        onChange={(event) => setWords(event.target.value)}
        disabled={!mayBook}
      />
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={() => say("fault")} disabled={!mayBook} className="min-h-14">
          This is the fault
        </Button>
        <Button onClick={() => say("nothing-wrong")} disabled={!mayBook} className="min-h-14">
          Nothing wrong
        </Button>
      </div>
    </section>
  );
}

/** What the program doesn't know of, by hand. */
export const ByHand = memo(function ByHand({ find }: { find: Find }) {
  return (
    <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
      <OwnTest />
      <OwnVerdict find={find} />
    </div>
  );
});
