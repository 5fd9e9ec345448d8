import { useRef, useState } from "react";
import { readCoolant } from "../../../core/book/acts/index.ts";
import { format } from "../../../core/kernel/units/index.ts";
import type { CoolReading } from "../../../core/trade/bleed/index.ts";
import { decodeLog, MOST_CHARACTERS } from "../../../core/trade/trace/index.ts";
import { Button } from "../../ui/Button.tsx";
import { whenOf } from "../../ui/dates.ts";
import { openTraces } from "../../workers/traces.ts";
import { useThread } from "../../workers/useThread.ts";
import { useJob } from "../stage/context.ts";

interface Read {
  name: string;
  endedAt: number;
  readings: CoolReading[];
}

const MS = 1000;

/** A log of the engine as it cools, taken for a dozen readings; its end is when the file was last written. */
export function FromLog({ sinceS }: { sinceS: number }) {
  const { book, mayBook, system, timeZone } = useJob();
  const ask = useThread(openTraces);
  const input = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<Read>();
  const [trouble, setTrouble] = useState("");
  const take = async (file: File | undefined) => {
    setRead(undefined);
    setTrouble("");
    if (!file) return;
    if (file.size > MOST_CHARACTERS) return setTrouble("That log is too large: export the cool-down alone.");
    try {
      const endedAt = Math.min(file.lastModified, Date.now());
      const text = decodeLog(new Uint8Array(await file.arrayBuffer()));
      const given = { endedAtS: endedAt / MS, sinceS };
      const readings = await ask((work) => work.coolReadings(text, given));
      if (!readings)
        setTrouble("That is no log that can be read: a time and a coolant temperature are wanted.");
      else if (readings.length === 0)
        setTrouble(
          "Nothing in it is hot and since the engine was shut off, by the file's own time. The cap is opened by a reading at the neck.",
        );
      else setRead({ name: file.name, endedAt, readings });
    } catch {
      setTrouble("That log could not be read.");
    }
  };
  const save = () => {
    if (!read) return;
    const drafts = read.readings.map(({ atS, coolantC }) =>
      readCoolant(coolantC, "engine", new Date(atS * MS).toISOString()),
    );
    if (book(drafts)) setRead(undefined);
  };
  const last = read?.readings.at(-1);
  return (
    <div className="flex flex-col gap-2">
      <Button
        weight="quiet"
        className="self-start"
        disabled={!mayBook}
        onClick={() => input.current?.click()}
      >
        Readings from a log
      </Button>
      <input
        ref={input}
        type="file"
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        className="sr-only"
        tabIndex={-1}
        aria-label="Log of the cool-down"
        onChange={(event) => {
          const { target } = event;
          void take(target.files?.[0]).then(() => Object.assign(target, { value: "" }));
        }}
      />
      {trouble && (
        <p role="alert" className="border-ink border-l-4 pl-3 font-bold">
          {trouble}
        </p>
      )}
      {read && last && (
        <div role="status" className="flex flex-wrap items-center gap-4">
          <p>
            {read.readings.length} readings of {read.name}, the last{" "}
            {format(last.coolantC, "temperature", system)} at{" "}
            {whenOf(new Date(read.endedAt).toISOString(), timeZone)}, by the file's own time. A log tells when
            to look again; the cap is opened by a reading at the neck.
          </p>
          <Button onClick={save}>Book these readings</Button>
        </div>
      )}
    </div>
  );
}
