import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { v4 as newId } from "uuid";
import { describeEntry } from "../../../core/book/describe/index.ts";
import { format, SHOWN, toShown } from "../../../core/kernel/units/index.ts";
import type { LevelsOf } from "../../../server/subjects/levels/read-levels.ts";
import type { Refused } from "../../desk/guard.server.ts";
import { useMember } from "../../desk/member.ts";
import { Button } from "../../ui/Button.tsx";
import { whenOf } from "../../ui/dates.ts";
import { Choice, TextField } from "../../ui/Field.tsx";
import { TakeList } from "../../ui/TakeList.tsx";
import { typedIn } from "../../ui/typed-in.ts";
import { shownLift } from "./how-far-below.ts";
import { LevelAdvice } from "./LevelAdvice.tsx";
import { LevelLine } from "./LevelLine.tsx";
import { useKeptLevel } from "./useKeptLevel.ts";

type Answer = Refused & { isDone?: boolean; isCutOff?: true };

/** Writes down a level as it was found now; what is typed stays until it is. */
function TakeLevel({ vehicleId, of }: { vehicleId: string; of: LevelsOf }) {
  const { units } = useMember();
  const fetcher = useFetcher<Answer>();
  const form = useRef<HTMLFormElement>(null);
  const [id, setId] = useState<string>(() => newId());
  const answer = fetcher.state === "idle" ? fetcher.data : undefined;
  const posted = useRef<Record<string, string>>({});
  const clear = () => {
    form.current?.reset();
    setId(newId());
  };
  const { wrong, waiting } = useKeptLevel(vehicleId, of, posted, answer, clear);
  const fields = { ...wrong, ...fetcher.data?.refused?.fields };
  const isDone = fetcher.state === "idle" && fetcher.data?.isDone === true;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each level that was taken
  useEffect(() => {
    if (isDone) clear();
  }, [isDone]);
  const isRefused = answer?.refused && (!answer.isCutOff || Object.keys(wrong).length > 0);
  const litres = SHOWN.volume[units].label;
  /** A mark read by eye instead of litres. */
  const mark = (missingL: number) => {
    const field = form.current?.elements.namedItem("missing");
    if (!(field instanceof HTMLInputElement)) return;
    field.value = String(Number(toShown(missingL, "volume", units).toFixed(2)));
    const height = form.current?.elements.namedItem("height");
    if (height instanceof HTMLInputElement) height.value = "";
    field.focus();
  };
  const figure = (label: string, name: string, unit: string, placeholder?: string) => (
    <TextField
      label={label}
      name={name}
      inputMode="decimal"
      unit={unit}
      maxLength={12}
      className="figure"
      placeholder={placeholder}
      error={fields[name]}
    />
  );
  return (
    <fetcher.Form
      ref={form}
      method="post"
      action={`/vehicles/${vehicleId}/levels`}
      onSubmit={(event) => {
        posted.current = typedIn(event.currentTarget);
      }}
      className="grid grid-cols-2 items-start gap-3 md:grid-cols-4"
    >
      <input type="hidden" name="id" value={id} />
      <input type="hidden" name="system" value={units} />
      {figure("Below the line", "missing", litres)}
      {figure("or height below", "height", SHOWN.length[units].label)}
      {figure(
        `One ${litres} lifts it by`,
        "lifts",
        SHOWN.length[units].label,
        of.liftsMm === undefined ? undefined : String(shownLift(of.liftsMm, units)),
      )}
      {figure("Topped up", "toppedUp", litres)}
      {figure("Distance", "distance", SHOWN.distance[units].label)}
      <Choice label="Engine" name="heat" defaultValue="cold" error={fields.heat}>
        <option value="cold">cold</option>
        <option value="hot">hot: not counted</option>
      </Choice>
      {figure(
        "Minimum mark",
        "minimum",
        litres,
        String(Number(toShown(of.minimumL, "volume", units).toFixed(1))),
      )}
      <div className="col-span-2 md:col-span-1">
        <TextField label="Who was told" name="told" maxLength={120} error={fields.told} />
      </div>
      <TextField label="Found on" name="on" type="date" hint="today if left open" error={fields.on} />
      <div className="col-span-2 flex flex-wrap items-end gap-2 self-stretch md:col-span-4">
        <Button onClick={() => mark(0)}>At the line</Button>
        <Button onClick={() => mark(of.minimumL)}>At the minimum</Button>
      </div>
      <Button type="submit" className="col-span-2 justify-self-start" disabled={fetcher.state !== "idle"}>
        Write the level down
      </Button>
      <div role="alert" className="col-span-2 md:col-span-4">
        {isRefused && (
          <p className="border-ink border-l-4 pl-3 font-bold">
            {(!answer.isCutOff && answer.refused.message) ||
              "Nothing is written down yet: see beside the fields."}
          </p>
        )}
      </div>
      {waiting.length > 0 && (
        <ul aria-label="Levels not sent yet" className="col-span-2 md:col-span-4">
          {waiting.map(({ entry, refused }) => (
            <li key={entry.id} className="border-ink border-l-4 pl-3">
              {describeEntry(entry, units)}{" "}
              <span className="font-bold">
                {refused ? `Refused: ${refused}` : "Kept in this browser, not sent yet."}
              </span>
            </li>
          ))}
        </ul>
      )}
    </fetcher.Form>
  );
}

function Taken({ vehicleId, of, mayWrite }: { vehicleId: string; of: LevelsOf; mayWrite: boolean }) {
  const { units, timeZone } = useMember();
  const fetcher = useFetcher<Answer>();
  const litres = (value: number) => format(value, "volume", units);
  return (
    <ul aria-label="Levels taken" className="max-w-3xl">
      {of.levels
        .toReversed()
        .map(({ id, at, by, told, belowMm, missingL, toppedUpL, distanceKm, heat, isStruck, isBefore }) => (
          <li
            key={id}
            className="flex flex-wrap items-center justify-between gap-x-4 border-rule border-b py-1"
          >
            <span className={isStruck ? "text-ink-2 line-through" : ""}>
              {whenOf(at, timeZone)}, {litres(Math.abs(missingL))} {missingL < 0 ? "above" : "below"} the line
              {belowMm === undefined ? "" : `, by ${format(Math.abs(belowMm), "length", units)} in the tank`},{" "}
              {heat}
              {toppedUpL ? `, topped up ${litres(toppedUpL)}` : ""}
              {distanceKm === undefined ? "" : `, at ${format(distanceKm, "distance", units)}`}
              {told ? `; told: ${told}` : ""}
            </span>
            <span className="flex items-center gap-3 text-ink-2">
              {by}
              {isStruck
                ? ", struck"
                : isBefore
                  ? ", before it was filled"
                  : heat === "hot"
                    ? ", not counted"
                    : ""}
              {mayWrite && !isStruck && (
                <button
                  type="button"
                  className="min-h-11 px-2 underline underline-offset-4"
                  aria-label={`Strike the level of ${whenOf(at, timeZone)}`}
                  onClick={() =>
                    void fetcher.submit(
                      { strike: id },
                      { method: "post", action: `/vehicles/${vehicleId}/levels` },
                    )
                  }
                >
                  Strike
                </button>
              )}
            </span>
          </li>
        ))}
    </ul>
  );
}

/** The levels as a list for a spreadsheet; and a list that was kept elsewhere, taken in. */
function LevelList({
  vehicleId,
  isEmpty,
  mayWrite,
}: {
  vehicleId: string;
  isEmpty: boolean;
  mayWrite: boolean;
}) {
  const address = `/vehicles/${vehicleId}/levels.csv`;
  if (!mayWrite)
    return isEmpty ? null : (
      <a
        className="inline-flex min-h-12 items-center self-start underline underline-offset-4"
        href={address}
        download
      >
        as CSV
      </a>
    );
  return (
    <details>
      <summary className="min-h-12 py-3 font-bold">Levels as a list</summary>
      <TakeList
        address={address}
        title="Levels in and out"
        wants="CSV whose first line names at and missing_L; topped_up_L, distance_km, engine, taken_by and told if there are any. Days such as 2026-05-04."
        {...(isEmpty ? {} : { out: "The levels as CSV" })}
        told={({ added = 0, known = 0, struck = 0 }) =>
          [
            `${added} written down`,
            known > 0 ? `${known} were there already` : "",
            struck > 0 ? `${struck} struck ones left out` : "",
          ]
            .filter(Boolean)
            .join(", ")
            .concat(".")
        }
      />
    </details>
  );
}

/** The coolant level of a vehicle: how fast it falls, when it meets the minimum, what to do, and each look at it. */
export function Levels({ vehicleId, of, mayWrite }: { vehicleId: string; of: LevelsOf; mayWrite: boolean }) {
  const { units, timeZone } = useMember();
  const given = { levels: of.levels, minimumL: of.minimumL, system: units, timeZone };
  return (
    <section aria-labelledby="levels" className="flex flex-col gap-4">
      <h2 id="levels" className="text-2xl">
        Coolant level
      </h2>
      {of.levels.length > 0 && <LevelAdvice {...given} />}
      <LevelLine {...given} />
      {mayWrite && <TakeLevel vehicleId={vehicleId} of={of} />}
      {of.levels.length > 0 && <Taken vehicleId={vehicleId} of={of} mayWrite={mayWrite} />}
      <LevelList vehicleId={vehicleId} isEmpty={of.levels.length === 0} mayWrite={mayWrite} />
    </section>
  );
}
