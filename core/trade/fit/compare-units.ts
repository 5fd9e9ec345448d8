import type { Toleranced } from "./clearance.ts";
import { depthLines, freeLines, type Space } from "./compare-depth.ts";
import { neckLines } from "./compare-necks.ts";
import { pegLines } from "./compare-pegs.ts";
import { adapt, type FitLine, type Judged, line, notYet, RULER_MM, SAME, SLOT_MM, stop } from "./fit-line.ts";
import { millimetres, mm } from "./measure.ts";
import type { Unit } from "./unit.ts";

/** Threads are no nearer to each other than that. */
const THREADS_DIFFER_MM = 0.3;

const length = (figure: number) => mm(figure);

/** What a bench's ruler may be off by over a whole unit. */
const UNIT_OFF_MM = 1;

/** A size that may shrink but not outgrow its room. What is as big as the old one fits where that sat. */
const sized =
  (room: Toleranced | undefined, where: string) =>
  (old: number, made: number): Judged => {
    if (room && made - UNIT_OFF_MM > room.mm + room.plusMinusMm)
      return made <= old + RULER_MM
        ? notYet(`The old one sits there and is as big: measure the room again ${where}.`)
        : stop(`It is ${mm(made - room.mm)} too big ${where}.`);
    if (Math.abs(made - old) <= RULER_MM) return SAME;
    const atWorstMm = room ? made + UNIT_OFF_MM - (room.mm - room.plusMinusMm) : 0;
    if (made > old && atWorstMm > 0)
      return notYet(
        `At worst it is ${mm(atWorstMm)} too big ${where}: hold it in its place, or measure both more closely.`,
      );
    if (made > old) return adapt(`Hold it in its place ${where} before anything is moved over.`, 10);
    return adapt(
      `Close what it leaves free ${where} with foam, or air goes round the core.`,
      15,
      "foam strip",
    );
  };

/** Every figure of a unit, those of its necks, pegs and mounts too. */
function checkLengths(part: object): void {
  for (const [name, value] of Object.entries(part)) {
    if (typeof value === "number") millimetres(value, 0, 5000, name);
    else if (value && typeof value === "object") checkLengths(value);
  }
}

/** Both ports of the oil cooler: alike only where all four were measured. */
function portLines(old: Unit, made: Unit): FitLine[] {
  const portsOf = ({ oilPortsMm, oilPortOutMm }: Unit) =>
    oilPortsMm === undefined && oilPortOutMm === undefined
      ? undefined
      : ([oilPortsMm, oilPortOutMm] as const);
  const thread = (across: number | undefined) => (across === undefined ? "not measured" : `M${across}`);
  return line(
    "oil cooler's ports",
    portsOf(old),
    portsOf(made),
    (ports) => ports.map(thread).join(" and "),
    (was, is) => {
      const isOff = was.some(
        (across, at) => across !== undefined && Math.abs(across - (is[at] ?? across)) >= THREADS_DIFFER_MM,
      );
      if (isOff)
        return adapt(
          "Its lines don't screw in: fittings of its own, tightened on the bench.",
          15,
          "oil cooler fittings",
        );
      return [...was, ...is].includes(undefined)
        ? notYet("Measure the thread of both ports, in and out, on both.")
        : SAME;
    },
  );
}

/**
 * An old unit and the one that is to take its place, attribute by attribute: the same, to be adapted (with the remedy,
 * the extra minutes and what to buy), or a stop; not seen where one of them isn't measured. Lengths in mm, sides left and
 * right of the vehicle. The limits are a bench's: 3 mm of a ruler, 40 mm that a hose gives, 10 mm before a belt. Throws
 * `RangeError` on a length outside 0 to 5000 mm.
 */
export function compareUnits(old: Unit, made: Unit, space: Space = {}): FitLine[] {
  for (const unit of [old, made]) checkLengths(unit);
  return [
    ...line("overall width", old.widthMm, made.widthMm, length, sized(space.widthMm, "from side to side")),
    ...line(
      "overall height",
      old.heightMm,
      made.heightMm,
      length,
      sized(space.heightMm, "from top to bottom"),
    ),
    ...line("core width", old.coreWidthMm, made.coreWidthMm, length, sized(undefined, "beside the core")),
    ...line("core height", old.coreHeightMm, made.coreHeightMm, length, sized(undefined, "above the core")),
    ...line("core thickness", old.coreThicknessMm, made.coreThicknessMm, length, (a, b) =>
      Math.abs(a - b) <= RULER_MM
        ? SAME
        : b > a
          ? adapt(
              `Everything behind it moves ${mm(b - a)} back: longer bolts, and the shroud's gap looked at.`,
              20,
              "longer bolts",
            )
          : adapt(
              `Everything behind it comes ${mm(a - b)} forward: close the shroud's gap.`,
              15,
              "foam strip",
            ),
    ),
    ...depthLines(made, space),
    ...freeLines(old, made, space),
    ...neckLines(old, made),
    ...pegLines(old, made),
    ...line(
      "brackets",
      old.bracketsApartMm,
      made.bracketsApartMm,
      (apart) => `${mm(apart)} apart`,
      (a, b) => {
        const off = Math.abs(a - b);
        if (off > SLOT_MM) return stop(`Their holes stand ${mm(off)} off: the body's have no home on it.`);
        return off > RULER_MM ? adapt(`Their holes stand ${mm(off)} off: open the slots.`, 20) : SAME;
      },
    ),
    ...line(
      "fan and shroud mounts",
      old.mounts,
      made.mounts,
      ({ apartMm, threadMm, depthMm }) =>
        `${mm(apartMm)} apart, M${threadMm}${depthMm === undefined ? "" : `, ${mm(depthMm)} deep`}`,
      (a, b) => {
        if (Math.abs(a.apartMm - b.apartMm) > SLOT_MM)
          return stop(`They stand ${mm(Math.abs(a.apartMm - b.apartMm))} off: the fan has no home on it.`);
        if (a.threadMm !== b.threadMm)
          return adapt(`Its bolts are M${b.threadMm}: the old ones don't go in.`, 5, `bolts M${b.threadMm}`);
        if (a.depthMm === undefined || b.depthMm === undefined)
          return notYet(
            "Measure how deep their thread goes on both: in a shallower one the old bolts bottom.",
          );
        if (b.depthMm < a.depthMm - 1)
          return adapt(
            `Its holes are ${mm(a.depthMm - b.depthMm)} shallower: the old bolts bottom before they hold.`,
            10,
            "shorter bolts",
          );
        return SAME;
      },
    ),
    ...line(
      "condenser mounts",
      old.condenserMounts,
      made.condenserMounts,
      (is) => (is ? "there" : "none"),
      (a, b) => (a && !b ? stop("The condenser has nowhere to hang.") : SAME),
    ),
    ...line(
      "oil cooler",
      old.oilCooler,
      made.oilCooler,
      (kind) => kind,
      (a, b) => {
        if (a === b) return SAME;
        if (b === "internal" && a === "none")
          return adapt("Cap its ports: no oil goes there.", 10, "blanking caps");
        if (a === "external" && b === "internal")
          return adapt(
            "The external cooler's bracket has no home on it: a bracket of its own, or lead the lines inside by the maker's word.",
            60,
            "bracket",
          );
        return stop(
          `The car has ${a === "none" ? "none" : `an ${a} one`}: another variant, or the gearbox runs hot.`,
        );
      },
    ),
    ...portLines(old, made),
    ...line(
      "plug",
      old.plug,
      made.plug,
      (plug) => plug,
      (a, b) =>
        a.trim().toLowerCase() === b.trim().toLowerCase()
          ? SAME
          : adapt("Match what is there: its plug, or an adapter lead.", 30, "adapter lead"),
    ),
    ...line(
      "blades",
      old.blades,
      made.blades,
      ({ count, pulls }) => `${count ?? "not counted"}, ${pulls ? "pulls" : "pushes"} toward the engine`,
      (a, b) =>
        a.pulls !== b.pulls
          ? stop("It blows the other way.")
          : a.count === undefined || b.count === undefined
            ? notYet("Count them on both.")
            : a.count !== b.count
              ? adapt("Another maker's fan: look at its draw against the fuse.", 5)
              : SAME,
    ),
  ];
}
