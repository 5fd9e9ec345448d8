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

/** The sensor that the made-up cars with a computer share. */
const SENSOR = [
  { celsius: 0, ohms: 5900 },
  { celsius: 20, ohms: 2500 },
  { celsius: 80, ohms: 320 },
  { celsius: 100, ohms: 180 },
];

const card = (given: Partial<CoolingCard>): CoolingCard => ({
  capacityL: 9.3,
  coolantKind: "si-oat",
  coolantProduct: "Fellwater Blue",
  coolantApproval: "Norm K4",
  targetFraction: 0.5,
  capGaugeKpa: 110,
  thermostatOpensC: 87,
  circuit: "switch-1",
  fanOnC: [98],
  fanOffC: [92],
  fanSenses: "engine",
  fillPoint: "radiator cap",
  bleedPoints: "",
  oilCooler: "none",
  sensorCurve: [],
  ...given,
});

export const VEHICLES: DemoVehicle[] = [
  {
    key: "wayfarer",
    plate: "MRW 2417",
    vin: withCheckDigit("0MRWAYF20RA002417"),
    name: "Brindle Wayfarer",
    use: "school run, 16 seats",
    distanceKm: 184_220,
    kmPerYear: 26_000,
    card: card({
      capacityL: 11.2,
      circuit: "switch-2",
      fanOnC: [92, 99],
      fanOffC: [87, 94],
      fanSenses: "engine",
      thermostatOpensC: 83,
      bleedPoints: "screw on the thermostat housing",
    }),
  },
  {
    key: "scholar",
    plate: "MRW 3062",
    vin: withCheckDigit("0MRSCHL20NB003062"),
    name: "Nettlebed Scholar",
    use: "mobile library",
    distanceKm: 97_410,
    kmPerYear: 9_500,
    card: card({
      circuit: "switch-relays",
      fanOnC: [97],
      fanOffC: [91],
      bleedPoints: "screw on the heater pipe",
    }),
  },
  {
    key: "courier",
    plate: "MRW 1185",
    vin: withCheckDigit("0MRCURR20PC001185"),
    name: "Brindle Courier",
    use: "meal delivery",
    distanceKm: 142_905,
    kmPerYear: 31_000,
    card: card({
      capacityL: 6.8,
      circuit: "ecu-relay",
      sensorCurve: SENSOR,
      fanOnC: [101],
      fanOffC: [95],
      capGaugeKpa: 140,
      fillPoint: "expansion tank",
      coolantKind: "oat",
      coolantProduct: "Fellwater Red",
      coolantApproval: "Norm K3",
      thermostatOpensC: 88,
    }),
  },
  {
    key: "pannier",
    plate: "MRW 4730",
    vin: withCheckDigit("0MRPANR20SD004730"),
    name: "Quillon Pannier",
    use: "meal delivery",
    distanceKm: 61_340,
    kmPerYear: 22_000,
    card: card({
      capacityL: 5.9,
      circuit: "ecu-module",
      sensorCurve: SENSOR,
      fanOnC: [99],
      fanOffC: [93],
      capGaugeKpa: 150,
      fillPoint: "expansion tank",
      coolantKind: "p-oat",
      coolantProduct: "",
      coolantApproval: "",
      thermostatOpensC: 89,
    }),
  },
  {
    key: "finch",
    plate: "MRW 5508",
    vin: withCheckDigit("0MRFNCH20TE005508"),
    name: "Quillon Finch",
    use: "society car",
    distanceKm: 48_760,
    kmPerYear: 12_000,
    card: card({
      capacityL: 5.2,
      fanOnC: [95],
      fanOffC: [90],
      thermostatOpensC: 86,
      coolantKind: "oat",
      coolantProduct: "Fellwater Red",
      coolantApproval: "Norm K3",
    }),
  },
  {
    key: "drover",
    plate: "MRW 0912",
    vin: withCheckDigit("0MRDRVR20KF000912"),
    name: "Nettlebed Drover",
    use: "gritter",
    distanceKm: 133_020,
    kmPerYear: 7_000,
    card: card({
      capacityL: 24,
      circuit: "viscous",
      fanOnC: [],
      fanOffC: [],
      coolantKind: "iat",
      coolantProduct: "Hearth Green",
      coolantApproval: "",
      thermostatOpensC: 82,
      oilCooler: "outside",
    }),
  },
  {
    key: "tender",
    plate: "MRW 2284",
    vin: withCheckDigit("0MRTNDR20RG002284"),
    name: "Harl Tender",
    use: "vet's van",
    distanceKm: 118_450,
    kmPerYear: 18_500,
    card: card({
      capacityL: 8.4,
      circuit: "self-contained",
      fanOnC: [94],
      fanOffC: [88],
      coolantKind: "hoat",
      coolantProduct: "Alder Universal",
      coolantApproval: "Norm K1, Norm K3",
      oilCooler: "in the radiator",
      thermostatOpensC: 84,
    }),
  },
  {
    key: "duo",
    plate: "MRW 6641",
    vin: withCheckDigit("0MRDUXH20VH006641"),
    name: "Oskerry Duo",
    use: "society car, hybrid",
    distanceKm: 37_115,
    kmPerYear: 15_000,
    card: card({
      capacityL: 6.1,
      circuit: "ecu-module",
      sensorCurve: SENSOR,
      fanOnC: [98],
      fanOffC: [93],
      capGaugeKpa: 110,
      fillPoint: "expansion tank",
      bleedPoints: "electric pump routine",
      thermostatOpensC: 85,
    }),
  },
];
