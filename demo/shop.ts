import { benchCar } from "../core/trade/bench/index.ts";
import type { CoolingCard } from "../core/trade/car/index.ts";
import { withCheckDigit } from "./vin.ts";

/** The made-up shop. Nothing here is real: no person, maker, dealer, product or place. */
export const SHOP = {
  slug: "lantern-hill",
  name: "Lantern Hill Works",
  units: "metric",
  timeZone: "UTC",
} as const;

/** Where `npm run demo` and `npm run adapter` start the stand-in for the shop's diagnostic adapter. */
export const ADAPTER = { host: "127.0.0.1", port: 4340, isStandIn: true } as const;

export const PEOPLE = [
  { key: "maren", name: "Maren Oke", role: "lead", pin: "2718", password: "merrow-lamp-lead" },
  { key: "tobin", name: "Tobin Askel", role: "technician", pin: "3141", password: "merrow-lamp-left" },
  { key: "ilse", name: "Ilse Vantry", role: "technician", pin: "1618", password: "merrow-lamp-right" },
  { key: "dez", name: "Dez Quillan", role: "desk", pin: "1414", password: "merrow-lamp-desk" },
] as const;
export type PersonKey = (typeof PEOPLE)[number]["key"];

export const SUPPLIERS = ["Coldbrook Parts", "Tansy & Rudge", "Pell Motor Factors"] as const;

export interface DemoVehicle {
  key: string;
  plate: string;
  vin: string;
  name: string;
  use: string;
  /** Distance on the day of the newest job, and how much it drives in a year. */
  distanceKm: number;
  kmPerYear: number;
  card: CoolingCard;
}

/** The made-up cars of the bench, as the shop has one of each: plate, VIN before its check digit, what it does, distance, distance a year. */
const FIRST: [key: string, plate: string, vin: string, use: string, km: number, perYear: number][] = [
  ["wayfarer", "MRW 2417", "0MRWAYF20RA002417", "school run, 16 seats", 184_220, 26_000],
  ["scholar", "MRW 3062", "0MRSCHL20NB003062", "mobile library", 97_410, 9_500],
  ["courier", "MRW 1185", "0MRCURR20PC001185", "meal delivery", 142_905, 31_000],
  ["pannier", "MRW 4730", "0MRPANR20SD004730", "meal delivery", 61_340, 22_000],
  ["finch", "MRW 5508", "0MRFNCH20TE005508", "society car", 48_760, 12_000],
  ["drover", "MRW 0912", "0MRDRVR20KF000912", "gritter", 133_020, 7_000],
  ["tender", "MRW 2284", "0MRTNDR20RG002284", "vet's van", 118_450, 18_500],
  ["duo", "MRW 6641", "0MRDUXH20VH006641", "society car, hybrid", 37_115, 15_000],
];

export const VEHICLES: DemoVehicle[] = FIRST.map(([key, plate, vin, use, distanceKm, kmPerYear]) => {
  const { name, card } = benchCar(key);
  return { key, plate, vin: withCheckDigit(vin), name, use, distanceKm, kmPerYear, card };
});
