import type { MeasuredUnit } from "../../../../core/book/facts/index.ts";
import { typedFigure } from "../../../../core/kernel/csv/index.ts";
import {
  type SeatSide,
  type Space,
  type Steering,
  sideFromSeat,
  type Unit,
} from "../../../../core/trade/fit/index.ts";

/** One of two units as it is measured on the bench; lengths in mm, sides from the driver's seat. */
export const EMPTY_UNIT = {
  width: "",
  height: "",
  depth: "",
  core: "",
  coreWidth: "",
  coreHeight: "",
  outletSide: "",
  outletHeight: "",
  outletWide: "",
  inletSide: "",
  inletHeight: "",
  inletWide: "",
  bottomApart: "",
  topApart: "",
  bushes: "",
  oilCooler: "",
  mountsApart: "",
  mountThread: "",
  mountDepth: "",
  brackets: "",
  oilPorts: "",
  oilPortOut: "",
  condenser: "",
  plug: "",
  blades: "",
  blows: "",
};
export type UnitFields = typeof EMPTY_UNIT;

export const EMPTY_SPACE = { depth: "", name: "", fan: "", below: "", pipes: "", shroud: "", plusMinus: "2" };
export type SpaceFields = typeof EMPTY_SPACE;

/** Every row of the paired columns: a length, a word, or one of a few. */
export const ROWS: {
  name: keyof UnitFields;
  label: string;
  options?: readonly string[];
  isWord?: boolean;
}[] = [
  { name: "width", label: "Overall width" },
  { name: "height", label: "Overall height" },
  { name: "depth", label: "Overall depth" },
  { name: "core", label: "Core thickness" },
  { name: "coreWidth", label: "Core width" },
  { name: "coreHeight", label: "Core height" },
  { name: "outletSide", label: "Engine outlet feeds the neck on the", options: ["driver", "passenger"] },
  { name: "outletHeight", label: "Its height" },
  { name: "outletWide", label: "Its width across" },
  { name: "inletSide", label: "Engine inlet is fed by the neck on the", options: ["driver", "passenger"] },
  { name: "inletHeight", label: "Its height" },
  { name: "inletWide", label: "Its width across" },
  { name: "bottomApart", label: "Two pegs below, apart" },
  { name: "topApart", label: "Two pegs above, apart" },
  { name: "bushes", label: "Pegs stand in rubber", options: ["yes", "no"] },
  { name: "oilCooler", label: "Oil cooler", options: ["none", "internal", "external"] },
  { name: "oilPorts", label: "Thread of its port in, M" },
  { name: "oilPortOut", label: "Thread of its port out, M" },
  { name: "mountsApart", label: "Fan and shroud mounts, apart" },
  { name: "mountThread", label: "Thread of their bolts, M" },
  { name: "mountDepth", label: "That thread is deep" },
  { name: "brackets", label: "Brackets to the body, holes apart" },
  { name: "condenser", label: "Mounts for the condenser", options: ["yes", "no"] },
  { name: "plug", label: "Fan's plug", isWord: true },
  { name: "blades", label: "Blades" },
  { name: "blows", label: "Fan pulls toward the engine", options: ["yes", "no"] },
];

const MOST_MM = 5000;

/** A length as typed; undefined where it is empty, or none: then it isn't measured, and its field says why. */
function figure(text: string): number | undefined {
  const typed = typedFigure(text);
  return typed !== undefined && typed >= 0 && typed <= MOST_MM ? typed : undefined;
}

/** What is wrong with a typed length, in one sentence. */
export const lengthTrouble = (text: string): string | undefined =>
  text.trim() !== "" && figure(text) === undefined ? "A length in mm, such as 34 or 34.5." : undefined;

const given = <Value>(name: string, value: Value | undefined) =>
  value === undefined ? {} : { [name]: value };

function neckOf(
  feeds: "engine outlet" | "engine inlet",
  side: string,
  height: string,
  wide: string,
  steering: Steering,
) {
  if (side !== "driver" && side !== "passenger") return [];
  return [
    {
      feeds,
      side: sideFromSeat(side as SeatSide, steering),
      ...given("heightMm", figure(height)),
      ...given("diameterMm", figure(wide)),
    },
  ];
}

const isYes = (text: string) => (text === "" ? undefined : text === "yes");

/** Both or neither: how far apart they stand says nothing without their thread. */
function mountsOf({ mountsApart, mountThread, mountDepth }: UnitFields) {
  const [apartMm, threadMm] = [figure(mountsApart), figure(mountThread)];
  if (apartMm === undefined || threadMm === undefined) return {};
  return { mounts: { apartMm, threadMm, ...given("depthMm", figure(mountDepth)) } };
}

/** What was measured, as the core takes it: what isn't filled in isn't there. */
export function unitOf(fields: UnitFields, steering: Steering): Unit {
  const necks = [
    ...neckOf("engine outlet", fields.outletSide, fields.outletHeight, fields.outletWide, steering),
    ...neckOf("engine inlet", fields.inletSide, fields.inletHeight, fields.inletWide, steering),
  ];
  const [bottomApartMm, topApartMm] = [figure(fields.bottomApart), figure(fields.topApart)];
  const hasPegs = bottomApartMm !== undefined || topApartMm !== undefined || fields.bushes !== "";
  const count = figure(fields.blades);
  return {
    ...given("widthMm", figure(fields.width)),
    ...given("heightMm", figure(fields.height)),
    ...given("depthMm", figure(fields.depth)),
    ...given("coreThicknessMm", figure(fields.core)),
    ...given("coreWidthMm", figure(fields.coreWidth)),
    ...given("coreHeightMm", figure(fields.coreHeight)),
    ...mountsOf(fields),
    ...given("bracketsApartMm", figure(fields.brackets)),
    ...given("oilPortsMm", figure(fields.oilPorts)),
    ...given("oilPortOutMm", figure(fields.oilPortOut)),
    ...given("condenserMounts", isYes(fields.condenser)),
    ...(necks.length > 0 ? { necks } : {}),
    ...(hasPegs
      ? {
          pegs: {
            // A distance was measured between two; where none was, nobody has counted.
            ...given("bottom", bottomApartMm === undefined ? undefined : 2),
            ...given("top", topApartMm === undefined ? undefined : 2),
            ...given("bushes", isYes(fields.bushes)),
            ...given("bottomApartMm", bottomApartMm),
            ...given("topApartMm", topApartMm),
          },
        }
      : {}),
    ...(fields.oilCooler ? { oilCooler: fields.oilCooler as "none" | "internal" | "external" } : {}),
    ...(fields.plug.trim() ? { plug: fields.plug.trim() } : {}),
    ...(fields.blows ? { blades: { ...given("count", count), pulls: fields.blows === "yes" } } : {}),
  };
}

/** The room behind the face of the radiator, with the fan that stands in it. */
export function spaceOf({ depth, name, fan, below, pipes, shroud, plusMinus }: SpaceFields): Space {
  const room = figure(depth);
  const high = figure(below);
  const height =
    high === undefined ? {} : { heightMm: { mm: high, plusMinusMm: Math.min(figure(plusMinus) ?? 0, high) } };
  const free = [
    { name: "the charge pipes", mm: figure(pipes) },
    { name: "the fan in its shroud", mm: figure(shroud) },
  ].flatMap(({ name, mm }) =>
    mm === undefined ? [] : [{ name, mm, plusMinusMm: Math.min(figure(plusMinus) ?? 0, mm) }],
  );
  const around = { ...height, ...(free.length > 0 ? { free } : {}) };
  if (room === undefined) return around;
  const fanMm = figure(fan);
  // Nothing is off by more than itself.
  const plusMinusMm = Math.min(figure(plusMinus) ?? 0, room, fanMm ?? room);
  return {
    ...around,
    depthMm: { mm: room, plusMinusMm },
    ...(fanMm === undefined ? {} : { behind: [{ name: "fan", mm: fanMm, plusMinusMm }] }),
    behindName: name.trim() || "what is behind it",
  };
}

const LENGTHS: [typed: keyof UnitFields, kept: keyof MeasuredUnit][] = [
  ["width", "widthMm"],
  ["height", "heightMm"],
  ["depth", "depthMm"],
  ["core", "coreMm"],
  ["coreWidth", "coreWidthMm"],
  ["coreHeight", "coreHeightMm"],
  ["mountsApart", "mountsApartMm"],
  ["mountThread", "mountThreadMm"],
  ["mountDepth", "mountDepthMm"],
  ["brackets", "bracketsApartMm"],
  ["oilPorts", "oilPortsMm"],
  ["oilPortOut", "oilPortOutMm"],
  ["outletHeight", "outletHeightMm"],
  ["outletWide", "outletWideMm"],
  ["inletHeight", "inletHeightMm"],
  ["inletWide", "inletWideMm"],
  ["bottomApart", "bottomApartMm"],
  ["topApart", "topApartMm"],
];
/** What was typed of a unit, as the vehicle's card keeps it; nothing where nothing of it was measured. */
export function measuredFrom(
  fields: UnitFields,
  space: SpaceFields,
  steering: Steering,
): MeasuredUnit | undefined {
  const blades = figure(fields.blades);
  const kept = {
    ...Object.fromEntries(
      LENGTHS.flatMap(([typed, name]) => {
        const length = figure(fields[typed]);
        return length === undefined ? [] : [[name, length]];
      }),
    ),
    ...given("outletSide", fields.outletSide || undefined),
    ...given("inletSide", fields.inletSide || undefined),
    ...given("bushes", isYes(fields.bushes)),
    ...given("condenserMounts", isYes(fields.condenser)),
    ...given("oilCooler", fields.oilCooler || undefined),
    ...given("plug", fields.plug.trim() || undefined),
    ...given("blades", blades !== undefined && blades >= 1 && blades <= 30 ? blades : undefined),
    ...given("pulls", isYes(fields.blows)),
    ...given("roomMm", figure(space.depth)),
    ...given("behind", space.name.trim() || undefined),
    ...given("fanDepthMm", figure(space.fan)),
    ...given("belowMm", figure(space.below)),
    ...given("pipesFreeMm", figure(space.pipes)),
    ...given("shroudFreeMm", figure(space.shroud)),
  };
  return Object.keys(kept).length > 0 ? ({ steering, ...kept } as MeasuredUnit) : undefined;
}

const asTyped = (value: number | undefined) => (value === undefined ? "" : String(value));
const yesOrNo = (value: boolean | undefined) => (value === undefined ? "" : value ? "yes" : "no");

/** What the vehicle's card keeps, as it would be typed. */
export function typedFrom(unit: MeasuredUnit): { unit: UnitFields; space: SpaceFields } {
  return {
    unit: {
      ...EMPTY_UNIT,
      ...Object.fromEntries(
        LENGTHS.map(([typed, kept]) => [typed, asTyped(unit[kept] as number | undefined)]),
      ),
      outletSide: unit.outletSide ?? "",
      inletSide: unit.inletSide ?? "",
      bushes: yesOrNo(unit.bushes),
      condenser: yesOrNo(unit.condenserMounts),
      oilCooler: unit.oilCooler ?? "",
      plug: unit.plug ?? "",
      blades: asTyped(unit.blades),
      blows: yesOrNo(unit.pulls),
    },
    space: {
      ...EMPTY_SPACE,
      depth: asTyped(unit.roomMm),
      name: unit.behind ?? "",
      fan: asTyped(unit.fanDepthMm),
      below: asTyped(unit.belowMm),
      pipes: asTyped(unit.pipesFreeMm),
      shroud: asTyped(unit.shroudFreeMm),
    },
  };
}
