import { IsIn, IsOptional } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { Entry, EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { FAN_SAID, FAN_TROUBLE, type FanSaid, fanWords } from "./fan-said.ts";
import { sentence } from "./words.ts";

/** Where a temperature of the coolant is read, with the name of its line. */
export const READ_ITEMS = {
  engine: "coolant sensor",
  radiator: "radiator sensor",
  surface: "thermostat housing",
  hose: "hose",
} as const;
export type ReadAt = keyof typeof READ_ITEMS;
const PLACES = Object.keys(READ_ITEMS) as ReadAt[];

/** A temperature of the coolant with the place that it was read at, which says what it is worth; and what the fan did then. */
export class CoolantRead {
  @IsIn(PLACES, { message: "Where it was read: engine, radiator, surface or hose." })
  at: ReadAt;

  @IsOptional()
  @IsIn(FAN_SAID, { message: FAN_TROUBLE })
  fan?: FanSaid;

  static readonly fact = "coolant-read";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: READ_ITEMS.engine,
    value: 101,
    unit: "°C",
    data: { fact: "coolant-read", v: 1, at: "engine", fan: "none" },
  };
  static words = ({ fan }: CoolantRead, entry: EntryDraft, system: System) =>
    sentence(entry, system, { tail: fanWords(fan) });

  /** Lines from before told the place by their name. */
  static liftLoose(data: Loose, { item, unit, value }: EntryDraft | Entry): Loose | undefined {
    const at = PLACES.find((place) => READ_ITEMS[place] === item);
    const { fan, ...others } = data;
    const isRead = at && unit === "°C" && value !== undefined && Object.keys(others).length === 0;
    return isRead ? { at, ...(typeof fan === "string" && { fan }) } : undefined;
  }
}
