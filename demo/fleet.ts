import { type DemoVehicle, VEHICLES } from "./shop.ts";
import { withCheckDigit } from "./vin.ts";

/** More of the same models: model, plate, VIN before its check digit, what it does, distance, distance a year. */
const MORE: [like: string, plate: string, vin: string, use: string, km: number, perYear: number][] = [
  ["wayfarer", "MRW 2418", "0MRWAYF20RA002418", "school run, 16 seats", 201_330, 27_500],
  ["wayfarer", "MRW 2611", "0MRWAYF20SA002611", "school run, 16 seats", 152_870, 24_000],
  ["wayfarer", "MRW 2903", "0MRWAYF20TA002903", "hospital round", 88_410, 29_000],
  ["courier", "MRW 1186", "0MRCURR20PC001186", "meal delivery", 139_040, 30_000],
  ["courier", "MRW 1347", "0MRCURR20RC001347", "parcels up the valley", 98_220, 33_000],
  ["courier", "MRW 1502", "0MRCURR20SC001502", "meal delivery", 64_770, 28_000],
  ["pannier", "MRW 4731", "0MRPANR20SD004731", "meal delivery", 58_990, 21_000],
  ["pannier", "MRW 4902", "0MRPANR20TD004902", "laundry round", 33_650, 19_000],
  ["finch", "MRW 5509", "0MRFNCH20TE005509", "society car", 51_200, 13_000],
  ["finch", "MRW 5610", "0MRFNCH20VE005610", "district nurse", 72_480, 21_500],
  ["finch", "MRW 5711", "0MRFNCH20WE005711", "society car", 29_310, 11_000],
  ["scholar", "MRW 3063", "0MRSCHL20PB003063", "mobile library, upper valley", 84_120, 9_000],
  ["drover", "MRW 0913", "0MRDRVR20LF000913", "gritter and ferry winch", 121_760, 6_500],
  ["tender", "MRW 2285", "0MRTNDR20SG002285", "vet's van", 92_340, 19_500],
  ["duo", "MRW 6642", "0MRDUXH20VH006642", "society car, hybrid", 41_960, 16_000],
  ["duo", "MRW 6700", "0MRDUXH20WH006700", "driving lessons, hybrid", 58_030, 23_000],
];

/** The sixteen vehicles beside the first eight; each has the card of its model. */
export const FLEET: DemoVehicle[] = MORE.map(([like, plate, vin, use, distanceKm, kmPerYear]) => {
  const model = VEHICLES.find(({ key }) => key === like);
  if (!model) throw new Error(`no model ${like}`);
  return {
    ...model,
    key: plate.toLowerCase().replace(" ", "-"),
    plate,
    vin: withCheckDigit(vin),
    use,
    distanceKm,
    kmPerYear,
  };
});
