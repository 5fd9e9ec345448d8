import { useEffect, useState } from "react";
import { v4 as newId } from "uuid";
import { readCodes } from "../../../core/book/acts/index.ts";
import { meaningOf } from "../../../core/trade/port/index.ts";
import type { LiveAsk } from "../../../server/books/live/read-live-log.ts";
import { Button } from "../../ui/Button.tsx";
import { ReasonForm } from "../../ui/ReasonForm.tsx";
import { useJob } from "../stage/context.ts";
import type { LiveSent } from "./live.form.ts";

const WHY = ["cause put right", "caused by our own test", "to see whether it comes again"];
const FAN_SAID = { "fan-on": "The fan was told to run", "fan-off": "The fan was given back" } as const;

/** What the car's computer has noted: read, booked, and cleared by name with a reason. */
export function LiveCodes({
  logId,
  asks,
  isOver,
  onSay,
}: {
  logId: string;
  asks: readonly LiveAsk[];
  isOver: boolean;
  onSay: (form: LiveSent) => Promise<boolean>;
}) {
  const { book, mayBook } = useJob();
  const [isClearing, setClearing] = useState(false);
  const [asked, setAsked] = useState<{ id: string; words: string }>();
  const ask = (what: LiveAsk["ask"], id = newId()) => onSay({ what: "ask", logId, id, ask: what });
  // What was read before they were cleared is noted no more.
  const last = asks.findLast(
    ({ ask: of, answer }) =>
      (of === "codes" && answer?.is === "codes") || (of === "clear" && answer?.is === "done"),
  );
  const codes = last?.answer?.codes;
  const cleared = asked && asks.find(({ id }) => id === asked.id)?.answer?.is;
  // Booked once the car has said that it did, and not as it is asked.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each answer
  useEffect(() => {
    if (!asked || !cleared) return;
    if (cleared === "done") book(readCodes(asked.words));
    setAsked(undefined);
  }, [cleared]);
  const waiting = asks.some(({ answer }) => !answer) && !isOver;
  const refused = asks.findLast(({ answer }) => answer)?.answer;
  const fan = asks.findLast((each) => (each.ask === "fan-on" || each.ask === "fan-off") && each.answer);
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-3">
        {!isOver && (
          <>
            <Button disabled={!mayBook} onClick={() => void ask("codes")}>
              Read codes
            </Button>
            <Button disabled={!mayBook} onClick={() => void ask("fan-on")}>
              Command the fan
            </Button>
            <Button weight="quiet" disabled={!mayBook} onClick={() => void ask("fan-off")}>
              Give it back
            </Button>
          </>
        )}
        <p role="status" className="text-ink-2">
          {waiting
            ? "The car is being asked."
            : fan?.answer
              ? `${FAN_SAID[fan.ask as keyof typeof FAN_SAID]}: ${fan.answer.is === "done" ? "the car says yes" : "this car takes no such command"}.`
              : refused?.is === "garbage"
                ? refused.because
                : ""}
        </p>
      </div>
      {codes && (
        <div className="flex flex-col gap-2">
          <p className="font-bold">{codes.length === 0 ? "No codes are noted." : "Noted by the car:"}</p>
          {codes.length > 0 && (
            <ul className="list-disc pl-6">
              {codes.map((code) => (
                <li key={code}>
                  <span className="figure font-bold">{code}</span> {meaningOf(code) ?? ""}
                </li>
              ))}
            </ul>
          )}
          <div className="flex flex-wrap gap-3">
            <Button disabled={!mayBook} onClick={() => book(readCodes(codes.join(", ") || "none"))}>
              Book what it noted
            </Button>
            {codes.length > 0 && !isOver && !isClearing && (
              <Button weight="quiet" disabled={!mayBook} onClick={() => setClearing(true)}>
                Clear {codes.join(", ")}
              </Button>
            )}
          </div>
          {isClearing && (
            <ReasonForm
              label={`Why ${codes.join(", ")} may be cleared`}
              usual={WHY}
              button="Clear them"
              onBook={async (why) => {
                const id = newId();
                if (!(await ask("clear", id))) return;
                setAsked({ id, words: `cleared ${codes.join(", ")}: ${why}` });
                setClearing(false);
              }}
              onLeave={() => setClearing(false)}
            />
          )}
        </div>
      )}
    </div>
  );
}
