import { Link, useLoaderData } from "react-router";
import { readVehicle } from "../../server/subjects/vehicles/read-vehicle.ts";
import { guarded } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { type Tool, Tools } from "../drafts/Tools.tsx";
import { keptReading } from "../kept/reading.ts";
import { ButtonLink } from "../ui/Button.tsx";
import { Figure } from "../ui/Figure.tsx";
import { LaterPart } from "../ui/LaterPart.tsx";
import { later } from "../ui/later.ts";
import type { Route } from "./+types/route";
import { CardChanges } from "./CardChanges.tsx";
import { CardSheet } from "./CardSheet.tsx";
import { CardOfModel, Identity } from "./KnownLater.tsx";
import { LivesHere } from "./LivesHere.tsx";
import { Levels } from "./levels/Levels.tsx";
import { MeasuredRows } from "./MeasuredRows.tsx";
import { OpenJob } from "./OpenJob.tsx";
import { Owner } from "./Owner.tsx";
import { PartLives } from "./PartLives.tsx";
import { Timeline } from "./Timeline.tsx";

const healthYears = later(async () => (await import("./health/HealthYears.tsx")).HealthYears);

export const meta = ({ loaderData }: Pick<Route.MetaArgs, "loaderData">) => [
  { title: `${loaderData?.vehicle.plate ?? "Vehicle"} · Warm Ledger` },
];

export const loader = guarded("desk", async ({ params, desk }) => {
  const { hands, ...page } = await desk((given) => readVehicle(given, params.vehicleId ?? ""));
  return { ...page, people: hands };
});

export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("vehicle/route");

export default function VehiclePage() {
  const { vehicle, owner, card, cardFrom, measured, changes, jobs, parts, levels, taken, people, health } =
    useLoaderData<typeof loader>();
  const { units, role, timeZone } = useMember();
  const open = jobs.find((job) => !job.signedAt);
  const tools: Tool[] = [
    ["jobs", "Jobs", <Timeline key="jobs" jobs={jobs} />],
    ...(taken
      ? [
          [
            "level",
            "Coolant level",
            <Levels key="level" vehicleId={vehicle.id} of={taken} mayWrite={role !== "desk"} />,
          ] as Tool,
        ]
      : []),
    ...(health.reads.length > 0
      ? [
          [
            "health",
            "Health",
            <LaterPart key="health" part={healthYears} given={{ of: health, timeZone }} />,
          ] as Tool,
        ]
      : []),
    ["parts", "Parts", <PartLives key="parts" parts={parts} levels={levels} />],
    ...(parts.length > 0
      ? [["lives", "How long they last", <LivesHere key="lives" parts={parts} />] as Tool]
      : []),
  ];
  return (
    <main id="work" className="p-5 lg:p-7">
      <header className="mb-6 flex flex-wrap items-end justify-between gap-x-8 gap-y-4 border-ink border-b-2 pb-4">
        <div>
          <h1 className="figure text-4xl">{vehicle.plate}</h1>
          <p className="text-xl">
            {vehicle.name || "model not known yet"} <span className="text-ink-2">{vehicle.use}</span>
          </p>
          <p className="text-ink-2">
            <span className="figure">{vehicle.vin ?? "VIN not known yet"}</span>
            {vehicle.distanceKm !== null && (
              <>
                {" · "}
                <Figure value={vehicle.distanceKm} dimension="distance" system={units} />
              </>
            )}
          </p>
        </div>
        {open ? (
          <ButtonLink to={`/jobs/${open.id}`} weight="main" data-next>
            Go on with job {open.number}
          </ButtonLink>
        ) : (
          <OpenJob vehicleId={vehicle.id} people={people} />
        )}
      </header>
      {role !== "desk" && <Identity vehicle={vehicle} />}
      <div className="grid grid-cols-1 gap-8 xl:grid-cols-[24rem_minmax(0,1fr)]">
        <div className="self-start">
          <CardSheet card={card} system={units} />
          <Owner vehicleId={vehicle.id} owner={owner} />
          {role !== "desk" && (
            <CardOfModel vehicleId={vehicle.id} from={cardFrom.model} takenFrom={cardFrom.takenFrom} />
          )}
          {role !== "desk" && (
            <ButtonLink to={`/vehicles/${vehicle.id}/card`} className="mt-3">
              {card ? "Change the card" : "Write the card"}
            </ButtonLink>
          )}
          <MeasuredRows measured={measured} system={units} timeZone={timeZone} />
          <CardChanges changes={changes} timeZone={timeZone} system={units} />
        </div>
        <div className="min-w-0">
          <Tools of={vehicle.id} label="This vehicle" tools={tools} />
        </div>
      </div>
      <p className="mt-8 text-ink-2">
        The vehicle maker's instructions come before this card.{" "}
        <Link to="/vehicles" className="underline underline-offset-4">
          All vehicles
        </Link>
      </p>
    </main>
  );
}
