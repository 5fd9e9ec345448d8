import { useState } from "react";
import { momentInZone } from "../../core/kernel/days/index.ts";
import type { DaySlip } from "../../core/stages/day/index.ts";
import type { TodayRead } from "../../server/books/day/read-today.ts";
import { useMember } from "../desk/member.ts";
import { Button } from "../ui/Button.tsx";
import { clockOf } from "../ui/dates.ts";
import { Choice, TextField } from "../ui/Field.tsx";
import type { useArranging } from "./useDay.ts";

/** Holds one piece to a person and a time, or lets it go again. */
export function HoldForm({
  slip,
  hold,
  day,
  people,
  arranging,
  onDone,
}: {
  slip: DaySlip;
  hold: TodayRead["holds"][number] | undefined;
  day: string;
  people: readonly { id: string; name: string }[];
  arranging: ReturnType<typeof useArranging>;
  onDone: () => void;
}) {
  const { timeZone } = useMember();
  const [personId, setPerson] = useState(hold?.personId ?? "");
  const [clock, setClock] = useState(hold?.at ? clockOf(hold.at, timeZone) : "");
  const [isTold, setTold] = useState(false);
  const { jobId, piece } = slip;
  const seen = hold ? { seen: hold.heldAt } : {};
  return (
    <form
      className="flex flex-wrap items-end gap-3 border-edge border-l-4 pl-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (!personId && !clock) return setTold(true);
        arranging.send({
          what: "hold",
          jobId,
          piece,
          ...seen,
          ...(personId && { personId }),
          ...(clock && { at: new Date(momentInZone(`${day} ${clock}`, timeZone)).toISOString() }),
        });
        onDone();
      }}
    >
      <div className="min-w-40 flex-1">
        <Choice label="With" value={personId} onChange={({ target }) => setPerson(target.value)}>
          <option value="">whoever is free</option>
          {people.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Choice>
      </div>
      <div className="w-36">
        <TextField
          label="At"
          type="time"
          className="figure"
          value={clock}
          error={isTold && !personId && !clock ? "A person, a time, or both." : undefined}
          onChange={({ target }) => setClock(target.value)}
        />
      </div>
      <Button type="submit" disabled={arranging.isBusy} className="px-4">
        Hold it
      </Button>
      {hold && (
        <Button
          weight="quiet"
          className="px-2"
          disabled={arranging.isBusy}
          onClick={() => {
            arranging.send({ what: "let-go", jobId, piece, ...seen });
            onDone();
          }}
        >
          Let it go
        </Button>
      )}
    </form>
  );
}
