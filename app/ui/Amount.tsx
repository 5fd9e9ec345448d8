import { Minus, Plus } from "lucide-react";
import { useEffect, useState } from "react";
import { Button } from "./Button.tsx";

/** How many of something: fewer, more, or typed. More than there can be is shown as the most; an empty field is no count, and shows the last again as it is left. */
export function Amount({
  label,
  value,
  least = 1,
  most,
  isOff = false,
  onChange,
}: {
  /** What is counted, where several are beside each other: “M6×20”. */
  label?: string;
  value: number;
  least?: number;
  most: number;
  isOff?: boolean;
  onChange: (count: number) => void;
}) {
  const [typed, setTyped] = useState(String(value));
  useEffect(() => setTyped(String(value)), [value]);
  const named = (act: string) => (label ? `${act}: ${label}` : act);
  const to = (count: number) => onChange(Math.min(most, Math.max(least, count)));
  const type = (text: string) => {
    if (!/^\d*$/.test(text)) return;
    const count = Math.min(most, Number(text));
    setTyped(text === "" ? "" : String(count));
    if (text !== "" && count >= least) onChange(count);
  };
  return (
    <span className="flex items-center gap-2">
      <Button
        aria-label={named("One fewer")}
        className="px-3"
        disabled={isOff || value <= least}
        onClick={() => to(value - 1)}
      >
        <Minus aria-hidden="true" />
      </Button>
      <input
        aria-label={named("How many")}
        inputMode="numeric"
        maxLength={3}
        disabled={isOff}
        className="figure min-h-12 w-14 rounded-md border-2 border-edge bg-sheet text-center text-2xl"
        value={typed}
        onFocus={(event) => event.target.select()}
        onChange={(event) => type(event.target.value.trim())}
        onBlur={() => setTyped(String(value))}
      />
      <Button
        aria-label={named("One more")}
        className="px-3"
        disabled={isOff || value >= most}
        onClick={() => to(value + 1)}
      >
        <Plus aria-hidden="true" />
      </Button>
    </span>
  );
}
