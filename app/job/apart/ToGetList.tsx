import { cameIn } from "../../../core/book/acts/index.ts";
import { factOf, Got, TO_GET_BECAUSE, type ToGet } from "../../../core/book/facts/index.ts";
import { toGet, toGetDraft } from "../../../core/book/out/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import { sayTick } from "../stage/tick-id.ts";

const BECAUSE_WORDS: Record<ToGet["because"], string> = {
  broke: "broke",
  fit: "the new part wants it",
  missing: "missing",
  worn: "worn",
};

/** What broke as it came off, what the new part wants, what was never there: to be got before the car goes together. */
export function ToGetList() {
  const { page, entries, book, mayBook } = useJob();
  const [what, setWhat] = useDraft(`to-get:${page.job.id}`);
  const [count, setCount] = useDraft(`to-get-count:${page.job.id}`, "1");
  const [because, setBecause] = useDraft<ToGet["because"]>(`to-get-because:${page.job.id}`, "broke");
  const rows = toGet(entries);
  const many = /^\d{1,3}$/.test(count.trim()) ? Number(count.trim()) : 0;
  const put = () => {
    const item = what.trim().toLowerCase();
    if (!item || many < 1) return;
    book(toGetDraft(entries, { item, count: many, because, word: BECAUSE_WORDS[because] }));
    setWhat("");
    setCount("1");
  };
  return (
    <div className="flex flex-col gap-4">
      {rows.length === 0 ? (
        <p className="text-ink-2">Nothing to get so far. What breaks as it comes off is noted here.</p>
      ) : (
        <ul className="border-ink border-t-2">
          {rows.map(({ entryId, words, because: why, isHere }) => (
            <li key={entryId} className="flex flex-wrap items-center gap-3 border-rule border-b py-2">
              <span className="min-w-40 flex-1">
                <span className="font-bold">{words}</span>{" "}
                <span className="text-ink-2">{BECAUSE_WORDS[why]}</span>
              </span>
              {isHere ? (
                <span className="text-ink-2">is here</span>
              ) : (
                <Button
                  aria-label={`Is here: ${words}`}
                  disabled={!mayBook}
                  onClick={() =>
                    book(cameIn(words, entryId), [
                      sayTick(page.job.id, entries, `got:${entryId}`, (entry) => {
                        const said = factOf(entry)?.fact;
                        return said instanceof Got && said.line === entryId;
                      }),
                    ])
                  }
                >
                  Is here
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-48 flex-1">
          <TextField
            label="What is to get"
            placeholder="undertray clip"
            maxLength={60}
            value={what}
            onChange={(event) => setWhat(event.target.value)}
          />
        </div>
        <div className="w-24">
          <TextField
            label="How many to get"
            inputMode="numeric"
            value={count}
            error={many < 1 ? "From 1 to 999." : undefined}
            onChange={(event) => setCount(event.target.value)}
          />
        </div>
        <ChipsOne
          label="Why"
          options={TO_GET_BECAUSE.map((each) => BECAUSE_WORDS[each])}
          value={BECAUSE_WORDS[because]}
          onChange={(words) => {
            const next = TO_GET_BECAUSE.find((each) => BECAUSE_WORDS[each] === words);
            if (next) setBecause(next);
          }}
        />
        <Button onClick={put} disabled={!mayBook || !what.trim() || many < 1}>
          Onto the list
        </Button>
      </div>
    </div>
  );
}
