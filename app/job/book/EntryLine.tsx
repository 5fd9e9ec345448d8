import { useId } from "react";
import type { Stage } from "../../../core/book/entry/index.ts";
import type { JobContext } from "../stage/context.ts";
import { LineSaid } from "./LineSaid.tsx";
import { Offers } from "./Offers.tsx";
import { type GivenLine, useEntryLine } from "./useEntryLine.ts";

/** The one-line entry: says how it reads what is typed, completes from what is open, books on Enter, guesses nothing. */
export function EntryLine({
  context,
  stage,
  given,
}: {
  context: JobContext;
  stage: Stage;
  given?: GivenLine;
}) {
  const { mayBook, maySay } = context;
  const id = useId();
  const line = useEntryLine(context, stage, given);
  const { text, line: read, offers, chosen, aside, isSigned } = line;
  if (!maySay && !isSigned)
    return (
      <p className="border-rule border-t px-5 py-4 text-ink-2">
        Signed here. Nothing more is booked until the server has it, or the signature is taken back on Sign.
      </p>
    );
  return (
    <div className="border-rule border-t p-3 print:hidden">
      <div className="rounded-md border-2 border-ink bg-paper p-2 focus-within:outline-3 focus-within:outline-ink focus-within:outline-offset-1">
        <Offers id={id} offers={offers} chosen={chosen} onTake={line.take} />
        <div className="flex items-center gap-2">
          <span aria-hidden="true" className="figure text-ink-2 text-lg">
            /
          </span>
          <input
            ref={line.input}
            data-entry-line
            role="combobox"
            aria-label="Entry line"
            aria-expanded={offers.length > 0}
            aria-controls={offers.length > 0 ? `${id}-offers` : undefined}
            aria-activedescendant={chosen >= 0 ? `${id}-offer-${chosen}` : undefined}
            aria-describedby={`${id}-reading`}
            aria-autocomplete="list"
            aria-busy={!line.isReady}
            className="figure min-h-12 w-full min-w-0 bg-transparent text-lg outline-none"
            maxLength={300}
            autoComplete="off"
            autoCapitalize="none"
            spellCheck={false}
            enterKeyHint="done"
            value={text}
            onFocus={line.come}
            placeholder={
              isSigned ? "correct 14 …" : mayBook ? "out 3 m6x20 bag 2" : "note the owner rings at noon"
            }
            onChange={(event) => line.type(event.target.value)}
            onKeyDown={line.press}
          />
          {read && "entry" in read && !line.isRefusedHere && (
            <button
              type="button"
              className="min-h-12 shrink-0 rounded-md bg-ink px-3 font-bold text-paper"
              onClick={line.submit}
            >
              Book it
            </button>
          )}
        </div>
        {aside !== "" && (
          <button
            type="button"
            className="min-h-11 text-left text-sm underline underline-offset-4"
            onClick={line.giveBack}
          >
            Leave the correction, back to: <span className="figure">{aside}</span>
          </button>
        )}
        <LineSaid
          id={id}
          text={text}
          line={read}
          isSigned={isSigned}
          isRefused={line.isRefusedHere}
          onChoose={line.choose}
          onNote={line.mayNote ? line.keepAsNote : undefined}
        />
      </div>
    </div>
  );
}
