import { inRange } from "./in-range.ts";

/** Which part of each beat commands the fan: the one pulled to ground, or the one at battery voltage. */
export type DutySense = "ground" | "plus";

export interface DutyMeaning {
  /** Share of the beat that commands, 0 to 100. */
  commandPercent: number;
  state: "no-signal" | "off" | "part" | "full" | "emergency";
  because: string;
}

/** Most modules take the ends of the scale for a broken wire and run the fan flat out. */
const BROKEN_LOW = 5;
const BROKEN_HIGH = 95;
const OFF_UNTIL = 12;
const FULL_FROM = 88;

/**
 * What a duty reading at a fan module's command pin asks for. `percent` is the share at battery voltage as a meter shows
 * it, 0 to 100, else `RangeError`; `sense` says which part commands. Makers differ, the vehicle's card wins: these are
 * the usual bands, and their ends usually mean a broken wire, on which a module runs the fan flat out.
 */
export function dutyMeaning(percent: number, sense: DutySense): DutyMeaning {
  inRange(percent, 0, 100, "% of duty");
  const commandPercent = sense === "ground" ? 100 - percent : percent;
  const said = `${Math.round(commandPercent)} % commands`;
  if (percent === 0 || percent === 100)
    return {
      commandPercent,
      state: "no-signal",
      because: `A steady ${percent === 0 ? "0" : "full"} volt level is no signal: wire open or shorted, or the computer asleep. Most modules then run flat out after a while.`,
    };
  if (commandPercent < BROKEN_LOW || commandPercent > BROKEN_HIGH)
    return {
      commandPercent,
      state: "emergency",
      because: `${said}: outside the usual ${BROKEN_LOW} to ${BROKEN_HIGH} %, which most modules take for a broken wire and run flat out.`,
    };
  if (commandPercent < OFF_UNTIL)
    return { commandPercent, state: "off", because: `${said}: the fan is told to stand still.` };
  if (commandPercent >= FULL_FROM)
    return { commandPercent, state: "full", because: `${said}: the fan is told to run flat out.` };
  return { commandPercent, state: "part", because: `${said}: the fan is told to run at part speed.` };
}
