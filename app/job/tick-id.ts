import { v5 } from "uuid";

const TICKS = "0d1f5f5e-5a53-4c0e-9a38-2c9f2f0c6f31";

/** The id of a tick is told by what it ticks: two taps, or two people's, are one entry. */
export const tickId = (...what: (string | number)[]): string => v5(what.join(":"), TICKS);
