import type { ShelfItem } from "../core/trade/shelf/index.ts";

type Priced = [
  item: string,
  grade: string,
  supplier: string,
  price: number,
  freight: number,
  days: number,
  partDays: number,
  labourDays: number,
];

const PARTS: Priced[] = [
  ["radiator", "maker's", "Coldbrook Parts", 412, 18, 3, 730, 365],
  ["radiator", "pattern", "Tansy & Rudge", 149, 9, 1, 365, 0],
  ["radiator", "pattern", "Pell Motor Factors", 138, 0, 1, 365, 0],
  ["radiator", "all-metal", "Coldbrook Parts", 538, 24, 6, 1095, 365],
  ["radiator", "used", "Pell Motor Factors", 60, 0, 2, 30, 0],
  ["fan assembly", "maker's", "Coldbrook Parts", 286, 14, 2, 730, 365],
  ["fan assembly", "pattern", "Tansy & Rudge", 118, 9, 1, 365, 0],
  ["fan motor", "pattern", "Pell Motor Factors", 64, 0, 1, 180, 0],
  ["fan module", "maker's", "Coldbrook Parts", 172, 12, 3, 730, 0],
  ["thermal switch", "maker's", "Coldbrook Parts", 31, 4, 1, 730, 0],
  ["thermal switch", "pattern", "Tansy & Rudge", 14, 4, 1, 365, 0],
  ["thermostat", "maker's", "Tansy & Rudge", 38, 4, 1, 730, 0],
  ["upper hose", "pattern", "Pell Motor Factors", 22, 0, 1, 365, 0],
  ["lower hose", "pattern", "Pell Motor Factors", 26, 0, 1, 365, 0],
  ["radiator cap", "maker's", "Coldbrook Parts", 19, 4, 1, 365, 0],
];
const COOLANTS: Priced[] = [
  ["Fellwater Blue", "si-oat", "Coldbrook Parts", 7.4, 0, 0, 0, 0],
  ["Fellwater Red", "oat", "Coldbrook Parts", 9.9, 0, 0, 0, 0],
  ["Hearth Green", "iat", "Pell Motor Factors", 6.2, 0, 1, 0, 0],
  ["Alder Universal", "hoat", "Tansy & Rudge", 8.1, 0, 0, 0, 0],
];

/** What the cans say, as invented as they are. */
const APPROVALS: Record<string, string> = {
  "Fellwater Blue": "Norm K4",
  "Fellwater Red": "Norm K2, Norm K3",
  "Alder Universal": "Norm K1, Norm K3",
};

const row =
  (kind: ShelfItem["kind"]) =>
  ([item, grade, supplier, price, freight, days, partDays, labourDays]: Priced): ShelfItem => ({
    kind,
    item,
    grade,
    approval: APPROVALS[item] ?? "",
    supplier,
    priceCents: Math.round(price * 100),
    freightCents: Math.round(freight * 100),
    days,
    partDays,
    labourDays,
  });

/** What the made-up shop can buy. */
export const SHELF: ShelfItem[] = [...PARTS.map(row("part")), ...COOLANTS.map(row("coolant"))];
