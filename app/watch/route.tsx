import { Link, useLoaderData } from "react-router";
import { readPromises } from "../../server/subjects/follow-ups/read-promises.ts";
import { readWatch } from "../../server/subjects/levels/read-watch.ts";
import { guarded } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { keptReading } from "../kept/reading.ts";
import { DueLooks } from "../today/DueLooks.tsx";
import { LevelAdvice } from "../vehicle/levels/LevelAdvice.tsx";
import { LevelLine } from "../vehicle/levels/LevelLine.tsx";

export const meta = () => [{ title: "Watch · Warm Ledger" }];

const DAYS_AHEAD = 366;

export const loader = guarded("desk", async ({ look }) => ({
  watched: await look(readWatch),
  looks: await look((given) => readPromises(given, { days: DAYS_AHEAD })),
}));

export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("watch/route");

/** Vehicles whose coolant level somebody takes, the one that is at its minimum soonest first. */
export default function Watch() {
  const { watched, looks } = useLoaderData<typeof loader>();
  const { units, timeZone } = useMember();
  return (
    <main id="work" className="p-5 lg:p-7">
      <h1 className="text-3xl">Watch</h1>
      <p className="mb-5 text-ink-2">
        Vehicles whose level is looked at, the one that may be at its minimum soonest first.
      </p>
      {watched.length === 0 && (
        <p>No level was taken yet. A vehicle's page has a place for it, under Coolant level.</p>
      )}
      <ul className="flex flex-col">
        {watched.map(({ vehicleId, plate, name, of }) => {
          const given = { levels: of.levels, minimumL: of.minimumL, system: units, timeZone };
          return (
            <li
              key={vehicleId}
              className="grid grid-cols-1 gap-x-8 gap-y-3 border-ink border-t-2 py-4 xl:grid-cols-[20rem_minmax(0,1fr)]"
            >
              <div className="flex flex-col gap-3">
                <h2 className="text-2xl">
                  <Link to={`/vehicles/${vehicleId}#levels`} className="figure underline underline-offset-4">
                    {plate}
                  </Link>{" "}
                  <span className="text-base text-ink-2">{name || "model not known yet"}</span>
                </h2>
                <LevelAdvice {...given} />
              </div>
              <LevelLine {...given} plate={plate} />
            </li>
          );
        })}
      </ul>
      <section aria-labelledby="promised" className="mt-8">
        <h2 id="promised" className="text-2xl">
          Promised
        </h2>
        <p className="mb-2 flex flex-wrap items-baseline gap-x-4 text-ink-2">
          Second looks that nobody has had yet.
          <a
            className="inline-flex min-h-12 items-center text-ink underline underline-offset-4"
            href="/second-looks.ics"
            download
          >
            as a calendar file
          </a>
        </p>
        {looks.length === 0 ? <p>Nothing is promised.</p> : <DueLooks looks={looks} isLong />}
      </section>
    </main>
  );
}
