import { useState } from "react";
import { Button } from "./Button.tsx";
import { TextField } from "./Field.tsx";

const LEAST = 3;
const MOST = 200;

/** Asks for a reason in a line: one of the usual ones by a tap, or in own words. */
export function ReasonForm({
  label,
  usual = [],
  button = "Book it",
  onBook,
  onLeave,
}: {
  label: string;
  usual?: readonly string[];
  button?: string;
  onBook: (reason: string) => void;
  onLeave: () => void;
}) {
  const [text, setText] = useState("");
  const [isTold, setTold] = useState(false);
  const isShort = text.trim().length < LEAST;
  return (
    <form
      className="mt-2 flex flex-col gap-2 border-edge border-l-4 pl-4"
      onKeyDown={(event) => {
        if (event.key === "Escape") onLeave();
      }}
      onSubmit={(event) => {
        event.preventDefault();
        if (isShort) setTold(true);
        else onBook(text.trim());
      }}
    >
      {usual.length > 0 && (
        <div className="flex flex-wrap gap-2">
          {usual.map((reason) => (
            <Button key={reason} className="px-3 font-medium" onClick={() => onBook(reason)}>
              {reason}
            </Button>
          ))}
        </div>
      )}
      <div className="flex flex-wrap items-start gap-3">
        <div className="min-w-56 flex-1">
          <TextField
            label={label}
            autoFocus
            maxLength={MOST}
            value={text}
            error={isTold && isShort ? `In ${LEAST} letters or more.` : undefined}
            onChange={(event) => setText(event.target.value)}
          />
        </div>
        <Button type="submit" className="mt-7">
          {button}
        </Button>
        <Button weight="quiet" className="mt-7" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
