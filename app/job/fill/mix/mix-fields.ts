import { typedFigure } from "../../../../core/kernel/csv/index.ts";
import { readShown, type System } from "../../../../core/kernel/units/index.ts";
import type { MixAsked } from "../../../../core/stages/fill/index.ts";
import {
  type Base,
  type CoolantSchool,
  fractionByInstrument,
  type Instrument,
  KINDS,
  type Kind,
} from "../../../../core/trade/coolant/index.ts";

/** What is typed about a mix; units are the shop's, a share in per cent. */
export interface MixFields {
  /** Per cent, or the freezing point that an instrument shows, such as -30. */
  reads: string;
  /** How many litres had moved when it was typed: the next one makes it untrue. */
  readsAfter: number;
  readsAs: "%" | "freezes at";
  instrument: Instrument;
  /** The glycol that its scale is made for; empty where it is the one that goes in. */
  madeFor: Base | "";
  /** Room over the line, for what swells when hot. */
  room: string;
  product: string;
  kind: Kind | "";
  base: Base;
  target: string;
  coldest: string;
  altitude: string;
  school: CoolantSchool | "";
  /** The card's own, one of the shelf by its name, or another. */
  label: string;
}

export const EMPTY_MIX: MixFields = {
  reads: "",
  readsAfter: -1,
  readsAs: "freezes at",
  instrument: "refractometer",
  madeFor: "",
  room: "",
  product: "100",
  kind: "",
  base: "ethylene",
  target: "",
  coldest: "",
  altitude: "",
  school: "",
  label: "card's",
};

export interface MixRead {
  measured?: number;
  product?: number;
  target?: number;
  coldestC?: number;
  altitudeM: number;
  roomL?: number;
  kind?: Kind;
  troubles: Partial<Record<keyof MixFields, string>>;
}

const MOST_ROOM_L = 20;

/** What was typed, in core units, with what is wrong beside its field; an empty field is nothing said, and then the shop’s own place counts. */
export function readMix(
  fields: MixFields,
  system: System,
  shop: { altitudeM?: number | null; coldestC?: number | null } = {},
): MixRead {
  const troubles: MixRead["troubles"] = {};
  const read = <Value>(name: keyof MixFields, work: (text: string) => Value | undefined, wanted: string) => {
    const text = String(fields[name]).trim();
    if (text === "") return undefined;
    const value = work(text);
    if (value === undefined) troubles[name] = wanted;
    return value;
  };
  const percent = (least: number, highest: number) => (text: string) => {
    const share = readShown(text, "fraction", system) ?? Number.NaN;
    return share >= least / 100 && share <= highest / 100 ? share : undefined;
  };
  const { instrument, base } = fields;
  const madeFor = fields.madeFor || base;
  const shown = (text: string) => {
    if (fields.readsAs === "freezes at") {
      const freezeC = readShown(text, "temperature", system);
      return freezeC === undefined ? undefined : { freezeC };
    }
    const fraction = percent(0, 100)(text);
    return fraction === undefined ? undefined : { fraction };
  };
  const measured = read(
    "reads",
    (text) => {
      const shows = shown(text);
      try {
        return shows && fractionByInstrument({ instrument, madeFor, base, shows });
      } catch {
        return undefined;
      }
    },
    instrument === "float" && madeFor !== base
      ? "A float made for one glycol says nothing of the other: take a refractometer."
      : fields.readsAs === "%"
        ? "From 0 to 100 %."
        : "Where it freezes: from 0 °C down to what a 60 % mix stands.",
  );
  const roomL = read(
    "room",
    (text) => {
      const litres = readShown(text, "volume", system);
      return litres !== undefined && litres >= 0 && litres <= MOST_ROOM_L ? litres : undefined;
    },
    "From nothing to more than any tank has.",
  );
  const product = read("product", percent(1, 100), "Its share of glycol: 1 to 100 %.");
  const target = read("target", percent(0, 60), "From 0 to 60 %: above that it freezes sooner again.");
  const typedC = read(
    "coldest",
    (text) => {
      const celsius = readShown(text, "temperature", system);
      return celsius !== undefined && celsius >= -60 && celsius <= 20 ? celsius : undefined;
    },
    "A temperature of the air in winter.",
  );
  const altitude = read(
    "altitude",
    (text) => {
      const metres = typedFigure(text) ?? Number.NaN;
      return metres >= -400 && metres <= 6000 ? metres : undefined;
    },
    "Metres above the sea, −400 to 6000.",
  );
  const kind = KINDS.find((each) => each === fields.kind);
  const coldestC = typedC ?? shop.coldestC ?? undefined;
  return {
    ...(measured !== undefined && { measured }),
    ...(product !== undefined && { product }),
    ...(target !== undefined && { target }),
    ...(coldestC !== undefined && { coldestC }),
    ...(roomL !== undefined && { roomL }),
    altitudeM: altitude ?? shop.altitudeM ?? 0,
    ...(kind && { kind }),
    troubles,
  };
}

/** What is asked of the core, of what was typed. */
export const askedOf = ({ label, base, school }: MixFields, { troubles: _, ...read }: MixRead): MixAsked => ({
  label,
  base,
  ...read,
  ...(school && { school }),
});
