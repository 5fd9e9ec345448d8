const SYSTEMS = "PCBU";
const CODE = /^([PCBU])([0-3])([0-9A-F]{3})$/;

/** Codes such as P0115 from the bytes of an answer to service 03, two a code; pairs of noughts fill up and are none. Source: ISO 15031-6. */
export function troubleCodes(bytes: readonly number[]): string[] {
  const codes: string[] = [];
  for (let at = 0; at + 1 < bytes.length; at += 2) {
    const [high = 0, low = 0] = [bytes[at], bytes[at + 1]];
    if (high === 0 && low === 0) continue;
    const digits = (((high & 0x3f) << 8) | low).toString(16).toUpperCase().padStart(4, "0");
    codes.push(`${SYSTEMS[high >> 6]}${digits}`);
  }
  return codes;
}

/** The two bytes of a code. Throws a RangeError for what is none. */
export function codeBytes(code: string): [number, number] {
  const [, system = "", first = "", rest = ""] = CODE.exec(code) ?? [];
  if (!system) throw new RangeError(`“${code}” is no trouble code: P0115 is one.`);
  const digits = Number.parseInt(`${first}${rest}`, 16);
  return [(SYSTEMS.indexOf(system) << 6) | (digits >> 8), digits & 0xff];
}

/** What the codes that touch cooling mean, in a few words. Source: ISO 15031-6, annex A. */
const MEANINGS: Readonly<Record<string, string>> = {
  P0115: "coolant temperature sensor, circuit",
  P0116: "coolant temperature sensor, range",
  P0117: "coolant temperature sensor, low input: a short reads hottest",
  P0118: "coolant temperature sensor, high input: an open circuit reads coldest",
  P0125: "coolant too cold for closed loop",
  P0126: "coolant too cold for steady running",
  P0128: "coolant below the thermostat's temperature",
  P0217: "engine too hot",
  P0480: "cooling fan 1, control circuit",
  P0481: "cooling fan 2, control circuit",
  P0483: "cooling fan, not what is commanded",
  P0597: "thermostat heater, circuit open",
};

/** What a code means to whoever repairs cooling systems; nothing for another's. */
export const meaningOf = (code: string): string | undefined =>
  Object.hasOwn(MEANINGS, code) ? MEANINGS[code] : undefined;
