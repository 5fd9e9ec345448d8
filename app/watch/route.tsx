import { Link, useLoaderData } from "react-router";
import { readWatch } from "../../server/levels/read-levels.ts";
import { guarded } from "../shell/guard.server.ts";
import { keptReading } from "../shell/kept/reading.ts";
import { useMember } from "../shell/member.ts";
import { LevelAdvice } from "../vehicle/levels/LevelAdvice.tsx";
import { LevelLine } from "../vehicle/levels/LevelLine.tsx";

export const meta = () => [{ title: "Watch · Warm Ledger" }];

export const loader = guarded("desk", async ({ desk }) => ({ watched: await desk(readWatch) }));

export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("watch/route");

/** Vehicles whose coolant level somebody takes, the one that is at its minimum soonest first. */
export default function Watch() {
  const { watched } = useLoaderData<typeof loader>();
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
              className="grid grid-cols-1 gap-x-8 gap-y-3 border-ink border-t-2 py-4 lg:grid-cols-[20rem_minmax(0,1fr)]"
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
    </main>
  );
}
