import { format, type System } from "../../core/kernel/units/index.ts";
import type { Measured } from "../../server/subjects/vehicles/read-measured.ts";
import { dateOf } from "../ui/dates.ts";

/** The radiator and fan that are in this car, as they were measured, and how tight its things go. */
export function MeasuredRows({
  measured,
  system,
  timeZone,
}: {
  measured: Measured;
  system: System;
  timeZone: string;
}) {
  const { unit, torques } = measured;
  if (!unit && torques.length === 0) return null;
  const mm = (value: number | undefined) =>
    value === undefined ? undefined : format(value, "length", system);
  const said = unit?.fact;
  const rows: [string, string | undefined][] = said
    ? [
        ["Overall", [said.widthMm, said.heightMm, said.depthMm].map((each) => mm(each) ?? "?").join(" × ")],
        [
          "Core",
          [said.coreWidthMm, said.coreHeightMm, said.coreMm].some((each) => each !== undefined)
            ? [said.coreWidthMm, said.coreHeightMm, said.coreMm].map((each) => mm(each) ?? "?").join(" × ")
            : undefined,
        ],
        [
          "Engine outlet feeds",
          said.outletSide &&
            [`${said.outletSide}'s side`, mm(said.outletHeightMm), mm(said.outletWideMm)]
              .filter(Boolean)
              .join(", "),
        ],
        [
          "Engine inlet is fed by",
          said.inletSide &&
            [`${said.inletSide}'s side`, mm(said.inletHeightMm), mm(said.inletWideMm)]
              .filter(Boolean)
              .join(", "),
        ],
        [
          "Pegs apart, below and above",
          [mm(said.bottomApartMm), mm(said.topApartMm)].filter(Boolean).join(", ") || undefined,
        ],
        ["Pegs in rubber", said.bushes === undefined ? undefined : said.bushes ? "yes" : "no"],
        [
          "Fan mounts apart",
          [
            mm(said.mountsApartMm),
            said.mountThreadMm && `M${said.mountThreadMm}`,
            said.mountDepthMm && `${mm(said.mountDepthMm)} deep`,
          ]
            .filter(Boolean)
            .join(", ") || undefined,
        ],
        [
          "Mounts for the condenser",
          said.condenserMounts === undefined ? undefined : said.condenserMounts ? "yes" : "no",
        ],
        ["Brackets, holes apart", mm(said.bracketsApartMm)],
        ["Top to skid plate", mm(said.belowMm)],
        ["Free to the charge pipes", mm(said.pipesFreeMm)],
        ["Free, shroud to fan", mm(said.shroudFreeMm)],
        ["Oil cooler", said.oilCooler],
        ["Its ports", said.oilPortsMm === undefined ? undefined : `M${said.oilPortsMm}`],
        ["Fan's plug", said.plug],
        [
          "Blades",
          said.blades === undefined
            ? undefined
            : `${said.blades}${said.pulls === undefined ? "" : said.pulls ? ", pulls" : ", pushes"}`,
        ],
        [
          "Room behind its face",
          said.roomMm === undefined
            ? undefined
            : `${mm(said.roomMm)} to ${said.behind ?? "what is behind it"}`,
        ],
      ]
    : [];
  return (
    <section aria-labelledby="measured" className="mt-6">
      <h2 id="measured" className="text-xl">
        Measured
      </h2>
      {unit && <p className="text-ink-2">Radiator and fan, {dateOf(unit.at, timeZone)}</p>}
      <dl className="border-ink border-t-2">
        {[
          ...rows.flatMap(([name, words]): [string, string][] => (words ? [[name, words]] : [])),
          ...torques.map(({ what, nm }): [string, string] => [
            `${what}, tightened to`,
            format(nm, "torque", system),
          ]),
        ].map(([name, words]) => (
          <div key={name} className="flex items-baseline justify-between gap-4 border-rule border-b py-1">
            <dt className="text-ink-2">{name}</dt>
            <dd className="text-right font-bold">{words}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
