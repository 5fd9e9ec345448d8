import {
  FAN_TRIGGERS,
  type FanTrigger,
  type FanWire,
  selfContainedWires,
  switchedWires,
} from "./fan-wires.ts";
import { inRange } from "./in-range.ts";
import { COPPER_OHM_MM2_M, FUSES_A, LASTING_SHARE, RUSH_SHARE, WIRE_A } from "./wires.ts";

export interface FanToWire {
  motorAmps: number;
  /** What it takes as it starts; three times the running draw where nobody has measured it. */
  startAmps?: number;
  /** From the battery to the fan, one way, metres. */
  leadM: number;
  supply: { volts: number; unit: "bare motor" | "self-contained" };
  /** What starts it, besides a self-contained unit's own thermostat. */
  triggers: readonly FanTrigger[];
}

export interface FanWiring {
  relay: boolean;
  /** The relay's rating, amperes; absent without one. */
  relayA?: number;
  softStart: "built in" | "advised" | "not needed";
  fuseA: number;
  section: {
    /** The least that the fuse protects. */
    byCurrentMm2: number;
    /** The least that loses no more than 3 % there and back. */
    byDropMm2: number;
    mm2: number;
  };
  dropV: number;
  /** Of the supply's volts, there and back. */
  dropPercent: number;
  wires: FanWire[];
  keyOff: string;
  because: string;
}

/** Without a soft start a brushed motor takes its standstill current first: about so many times what it runs at. */
const USUAL_RUSH = 3;
const MOST_DROP = 0.03;
/** What the contacts of a thermal switch in a tank carry for years. */
const SWITCH_CONTACT_A = 10;
/** Relays as they are sold, amperes. */
const RELAYS_A = [30, 40, 70, 100] as const;
/** From here on the first rush dims the lamps and wears the relay. */
const HARD_RUSH_A = 75;
const ROUNDING = 1e-9;

const KEY_OFF = {
  "self-contained":
    "With the key off its key-on feed is dead and it stops, or runs on for as long as its maker says: read the sheet that came with it.",
  relay:
    "With the key off the coil has no feed and the fan stops. Fed from the battery instead it would run on until the engine is cool, and a stuck switch would empty the battery.",
  direct:
    "With the key off it runs on until the switch opens: the switch is fed from the battery. Unplug it before hands go near the blades.",
} as const;

function fuseFor(motorAmps: number, startAmps: number): number {
  const fuse = FUSES_A.find(
    (rating) => rating * LASTING_SHARE >= motorAmps - ROUNDING && rating * RUSH_SHARE >= startAmps - ROUNDING,
  );
  if (fuse === undefined)
    throw new RangeError(
      `${motorAmps} A, and ${startAmps} A as it starts, is more than one fuse of ${FUSES_A.at(-1)} A takes: two fans on two circuits, or a soft start.`,
    );
  return fuse;
}

/** The smallest wire for which `holds` is true. */
function wireFor(holds: (mm2: number, amps: number) => boolean, why: string): number {
  const wire = WIRE_A.find(([mm2, amps]) => holds(mm2, amps))?.[0];
  if (wire === undefined)
    throw new RangeError(`${why}: no wire up to ${WIRE_A.at(-1)?.[0]} mm² does. Shorten the lead.`);
  return wire;
}

/**
 * How a fan is wired: relay or not, fuse (ISO 8820-3), cross-section by the fuse that has to protect it and by the volts
 * lost there and back (3 % at most, copper at 20 °C), which wires go to the battery, the key, ground and the triggers,
 * and what the key does. A self-contained unit has its own relay and soft start and five wires. `motorAmps` 0.5 to 64 A,
 * `startAmps` from that to 400 A, `leadM` 0.2 to 12 m, 12 or 24 V, else `RangeError`; so too where no fuse or wire is big
 * enough, and where nothing would ever start it.
 */
export function fanWiring({ motorAmps, startAmps, leadM, supply, triggers }: FanToWire): FanWiring {
  inRange(motorAmps, 0.5, 64, "A of motor");
  inRange(leadM, 0.2, 12, "m of lead");
  const { volts, unit } = supply;
  if (volts !== 12 && volts !== 24) throw new RangeError(`${volts} V is no supply here: 12 or 24 V is.`);
  const unknown = triggers.find((each) => !FAN_TRIGGERS.includes(each));
  if (unknown !== undefined) throw new RangeError(`“${unknown}” is no trigger: ${FAN_TRIGGERS.join(", ")}.`);
  const isOwn = unit === "self-contained";
  if (!isOwn && triggers.length === 0) throw new RangeError("Nothing would ever start it: give a trigger.");
  const rushA = startAmps ?? motorAmps * (isOwn ? 1 : USUAL_RUSH);
  inRange(rushA, motorAmps, 400, "A as it starts");
  const relay = !isOwn && (motorAmps > SWITCH_CONTACT_A || triggers.length > 1 || triggers[0] !== "switch");
  const fuseA = fuseFor(motorAmps, rushA);
  const lostV = (mm2: number) => (2 * leadM * COPPER_OHM_MM2_M * motorAmps) / mm2;
  const byCurrentMm2 = wireFor((_, amps) => amps >= fuseA, `A fuse of ${fuseA} A has to protect its wire`);
  const byDropMm2 = wireFor(
    (mm2) => lostV(mm2) <= MOST_DROP * volts + ROUNDING,
    `${motorAmps} A over ${leadM} m may lose ${(MOST_DROP * volts).toFixed(2)} V`,
  );
  const mm2 = Math.max(byCurrentMm2, byDropMm2);
  const relayA = relay ? RELAYS_A.find((rating) => rating >= fuseA) : undefined;
  const dropV = lostV(mm2);
  const given = { mm2, fuseA, triggers, relayA };
  return {
    relay,
    ...(relayA === undefined ? {} : { relayA }),
    softStart: isOwn ? "built in" : rushA > HARD_RUSH_A ? "advised" : "not needed",
    fuseA,
    section: { byCurrentMm2, byDropMm2, mm2 },
    dropV,
    dropPercent: (100 * dropV) / volts,
    wires: isOwn ? selfContainedWires(given) : switchedWires(given),
    keyOff: KEY_OFF[isOwn ? "self-contained" : relay ? "relay" : "direct"],
    because: `${motorAmps} A wants a ${fuseA} A fuse, that fuse ${byCurrentMm2} mm², and ${leadM} m each way ${byDropMm2} mm² to lose no more than 3 %: ${mm2} mm², which loses ${dropV.toFixed(2)} V.`,
  };
}
