import { useState } from "react";
import { isDay } from "../../../../core/kernel/days/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { TextField } from "../../../ui/Field.tsx";

const LEAST = 3;

/** Moves a promise to another day, with the reason. */
export function MoveForm({
  from,
  on,
  onMove,
  onLeave,
}: {
  from: string;
  on: string;
  onMove: (on: string, because: string) => void;
  onLeave: () => void;
}) {
  const [day, setDay] = useState(on < from ? from : on);
  const [because, setBecause] = useState("");
  const [isTold, setTold] = useState(false);
  const isDayWrong = !isDay(day) || day < from;
  const isShort = because.trim().length < LEAST;
  return (
    <form
      className="mt-2 flex flex-wrap items-start gap-3 border-edge border-l-4 pl-4"
      onSubmit={(event) => {
        event.preventDefault();
        setTold(true);
        if (!isDayWrong && !isShort) onMove(day, because.trim());
      }}
    >
      <TextField
        label="To which day"
        type="date"
        min={from}
        value={day}
        error={isTold && isDayWrong ? "A day from today on." : undefined}
        onChange={(event) => setDay(event.target.value)}
      />
      <div className="min-w-48 flex-1">
        <TextField
          label="Why then"
          maxLength={200}
          value={because}
          error={isTold && isShort ? `In ${LEAST} letters or more.` : undefined}
          onChange={(event) => setBecause(event.target.value)}
        />
      </div>
      <Button type="submit" className="mt-7">
        Move it
      </Button>
      <Button weight="quiet" className="mt-7" onClick={onLeave}>
        Leave it
      </Button>
    </form>
  );
}
