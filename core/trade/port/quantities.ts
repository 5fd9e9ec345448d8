/** A live value of service 01: its identifier, how many bytes it takes, and how those are read and written. */
export interface Quantity {
  pid: number;
  bytes: 1 | 2;
  unit: "C" | "rpm" | "km/h" | "%" | "V";
  /** From the whole number that its bytes make. */
  value: (whole: number) => number;
  whole: (value: number) => number;
}

const COLDEST_C = 40;
const degrees = (pid: number): Quantity => ({
  pid,
  bytes: 1,
  unit: "C",
  value: (whole) => whole - COLDEST_C,
  whole: (celsius) => celsius + COLDEST_C,
});

/** What a cooling log asks a diagnostic port for. Source: ISO 15031-5, annex B. */
export const QUANTITIES = {
  coolantC: degrees(0x05),
  rpm: { pid: 0x0c, bytes: 2, unit: "rpm", value: (whole) => whole / 4, whole: (rpm) => rpm * 4 },
  kmh: { pid: 0x0d, bytes: 1, unit: "km/h", value: (whole) => whole, whole: (kmh) => kmh },
  intakeC: degrees(0x0f),
  throttlePercent: {
    pid: 0x11,
    bytes: 1,
    unit: "%",
    value: (whole) => (whole * 100) / 255,
    whole: (percent) => (percent * 255) / 100,
  },
  volts: { pid: 0x42, bytes: 2, unit: "V", value: (whole) => whole / 1000, whole: (volts) => volts * 1000 },
  ambientC: degrees(0x46),
} as const satisfies Record<string, Quantity>;

export type QuantityName = keyof typeof QUANTITIES;
export const QUANTITY_NAMES = Object.keys(QUANTITIES) as QuantityName[];

/** Two digits a byte, capital letters, a space between. */
export const hexOf = (bytes: readonly number[]): string =>
  bytes.map((byte) => byte.toString(16).toUpperCase().padStart(2, "0")).join(" ");

/** A whole number as so many bytes, kept within what they can say. */
export function bytesOf(value: number, count: 1 | 2): number[] {
  const whole = Math.min(256 ** count - 1, Math.max(0, Math.round(value)));
  return count === 1 ? [whole] : [whole >> 8, whole & 0xff];
}
