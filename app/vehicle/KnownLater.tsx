import { useFetcher } from "react-router";
import type { Refused } from "../desk/guard.server.ts";
import { Button } from "../ui/Button.tsx";
import { TextField } from "../ui/Field.tsx";
import { VerdictShape } from "../ui/VerdictMark.tsx";

const wordsOf = (refused: Refused["refused"] | undefined) =>
  refused && (refused.message || Object.values(refused.fields).join(" "));

/** What nobody has said of a vehicle yet, asked for here and held up by nothing. */
export function Identity({
  vehicle,
}: {
  vehicle: { id: string; name: string; vin: string | null; use: string };
}) {
  const fetcher = useFetcher<Refused>();
  const fields = fetcher.data?.refused?.fields ?? {};
  if (vehicle.name && vehicle.vin) return null;
  return (
    <fetcher.Form
      method="post"
      action={`/vehicles/${vehicle.id}/say/identity`}
      className="mb-6 flex flex-wrap items-start gap-4 border-edge border-2 border-dashed p-4"
    >
      <p className="w-full font-bold">
        Not known yet:{" "}
        {[!vehicle.name && "its model", !vehicle.vin && "its VIN"].filter(Boolean).join(" and ")}.
      </p>
      <TextField
        label="Make and model"
        name="name"
        maxLength={80}
        defaultValue={vehicle.name}
        error={fields.name}
      />
      <TextField
        label="VIN"
        name="vin"
        maxLength={20}
        autoCapitalize="characters"
        className="figure"
        defaultValue={vehicle.vin ?? ""}
        error={fields.vin}
      />
      <TextField
        label="What it does"
        name="use"
        maxLength={80}
        defaultValue={vehicle.use}
        error={fields.use}
      />
      <Button type="submit" className="mt-7" disabled={fetcher.state !== "idle"}>
        Write it down
      </Button>
      <div role="alert" className="w-full">
        {fetcher.data?.refused?.message && (
          <p className="border-ink border-l-4 pl-3 font-bold">{fetcher.data.refused.message}</p>
        )}
      </div>
    </fetcher.Form>
  );
}

/** A card that is another vehicle's: offered where there is none, and marked until somebody has looked at it. */
export function CardOfModel({
  vehicleId,
  from,
  takenFrom,
}: {
  vehicleId: string;
  from: string | null;
  takenFrom: string | null;
}) {
  const fetcher = useFetcher<Refused>();
  if (!from && !takenFrom) return null;
  return (
    <fetcher.Form
      method="post"
      action={`/vehicles/${vehicleId}/say/${takenFrom ? "own-card" : "take-card"}`}
      className="mt-3 flex flex-col gap-2"
    >
      {takenFrom && (
        <p className="flex items-center gap-2">
          <VerdictShape verdict="not-seen" /> Taken from {takenFrom}, the same model; not looked at on this
          one.
        </p>
      )}
      <Button type="submit" disabled={fetcher.state !== "idle"}>
        {takenFrom ? "Looked at: it is so" : `Take the card of ${from}, the same model`}
      </Button>
      <div role="alert">
        {fetcher.data?.refused && (
          <p className="border-ink border-l-4 pl-3 font-bold">{wordsOf(fetcher.data.refused)}</p>
        )}
      </div>
    </fetcher.Form>
  );
}
