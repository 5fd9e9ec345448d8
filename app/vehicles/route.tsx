import { Search } from "lucide-react";
import { Form, Link, useLoaderData, useSubmit } from "react-router";
import { findVehicles } from "../../server/subjects/vehicles/find-vehicles.ts";
import { guarded } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { readPage } from "../kept/kept-pages.ts";
import { keptReading } from "../kept/reading.ts";
import { moveFocus } from "../ui/arrows.ts";
import { ButtonLink } from "../ui/Button.tsx";
import { dateOf } from "../ui/dates.ts";
import { Figure } from "../ui/Figure.tsx";
import { NotSent } from "./NotSent.tsx";
import { TakeIn } from "./TakeIn.tsx";
import { samePlate } from "./take-in.form.ts";

export const meta = () => [{ title: "Vehicles · Warm Ledger" }];

const LONGEST_SEARCH = 80;
const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");

export const loader = guarded("desk", async ({ url, look }) => {
  const search = (url.searchParams.get("find") ?? "").slice(0, LONGEST_SEARCH);
  return { search, vehicles: await look((given) => findVehicles(given, search)) };
});

/** With no server the list that is kept is searched here, as the server would. */
export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>(
  "vehicles/route",
  async ({ request }) => {
    const kept = (await readPage("vehicles"))?.data as Awaited<ReturnType<typeof loader>> | undefined;
    if (!kept) return undefined;
    const search = (new URL(request.url).searchParams.get("find") ?? "").slice(0, LONGEST_SEARCH);
    const wanted = plain(search);
    return {
      search,
      vehicles: kept.vehicles
        .filter(({ plate, vin, name }) =>
          [plate, vin ?? "", name].some((text) => plain(text).includes(wanted)),
        )
        .map((vehicle, _, found) => ({ ...vehicle, total: found.length })),
    };
  },
);

/** "100 of 147" where the list is cut: the rest is found by more letters. */
const countWords = (shown: number, all: number) =>
  all > shown ? `${shown} of ${all} vehicles` : all === 1 ? "One vehicle" : `${all} vehicles`;

export default function Vehicles() {
  const { search, vehicles } = useLoaderData<typeof loader>();
  const { units, timeZone } = useMember();
  const submit = useSubmit();
  return (
    <main id="work" className="p-5 lg:p-7" onKeyDown={(event) => moveFocus(event, "#find, a[data-row]")}>
      <header className="mb-5 flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-3xl">Vehicles</h1>
        <ButtonLink to="/vehicles/new">Add a vehicle</ButtonLink>
      </header>
      <NotSent />
      <Form
        role="search"
        className="mb-6 flex max-w-2xl items-center gap-3"
        onChange={(event) => submit(event.currentTarget, { replace: true })}
      >
        <label htmlFor="find" className="sr-only">
          Plate, VIN, name, owner, a job’s number, or words of a complaint
        </label>
        <Search aria-hidden="true" />
        <input
          // biome-ignore lint/a11y/noAutofocus: finding a vehicle is the only thing to do here
          autoFocus
          id="find"
          name="find"
          type="search"
          maxLength={LONGEST_SEARCH}
          defaultValue={search}
          placeholder="Plate, VIN, name, owner, a job’s number, or words of a complaint"
          className="field-box text-xl"
        />
      </Form>
      <p role="status" className="mb-2 text-ink-2">
        {countWords(vehicles.length, Math.max(vehicles.length, vehicles[0]?.total ?? 0))}
        {search && ` with “${search}”`}
      </p>
      {vehicles.length === 0 ? (
        <p>Nothing like that is in the books. Try fewer letters, or take the car in.</p>
      ) : (
        <ul className="border-ink border-t-2">
          {vehicles.map((vehicle) => (
            <li
              key={vehicle.id}
              className="grid items-center gap-x-6 border-rule border-b py-2 sm:grid-cols-[9rem_1fr] lg:grid-cols-[10rem_1fr_9rem_11rem]"
            >
              <Link
                to={`/vehicles/${vehicle.id}`}
                data-row
                className="figure flex min-h-12 items-center font-bold text-xl underline decoration-1 underline-offset-4"
              >
                {vehicle.plate}
              </Link>
              <span>
                <span className="font-bold">{vehicle.name || "model not known yet"}</span>{" "}
                <span className="text-ink-2">{[vehicle.use, vehicle.owner].filter(Boolean).join(" · ")}</span>
                <span className="figure block text-ink-2 text-sm">{vehicle.vin}</span>
                {vehicle.found && (
                  <span className="block text-sm">
                    Job {vehicle.found.job}
                    {vehicle.found.words && `: ${vehicle.found.words}`}
                  </span>
                )}
              </span>
              <span className="lg:text-right">
                {vehicle.distanceKm !== null && (
                  <Figure value={vehicle.distanceKm} dimension="distance" system={units} />
                )}
              </span>
              <span>
                {vehicle.openJobId ? (
                  <Link
                    to={`/jobs/${vehicle.openJobId}`}
                    className="inline-flex min-h-12 items-center font-bold underline underline-offset-4"
                  >
                    Job {vehicle.openJobNumber} open
                  </Link>
                ) : (
                  <span className="text-ink-2">
                    {vehicle.lastAt ? `last seen ${dateOf(vehicle.lastAt, timeZone)}` : "never here yet"}
                  </span>
                )}
              </span>
            </li>
          ))}
        </ul>
      )}
      {search && <TakeIn typed={search} isThere={vehicles.some(({ plate }) => samePlate(plate, search))} />}
    </main>
  );
}
