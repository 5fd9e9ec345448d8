/** What can be proven after the work, in the order in which it is looked at. Apart from its class, so that what only names them loads no more. */
export const PROOFS = [
  "log",
  "fan-1",
  "fan-2",
  "fan-3",
  "fan-4",
  "direction",
  "direction-left",
  "direction-right",
  "heater",
  "gauge",
  "leaks-hot",
  "leaks-cold",
  "pressure",
  "cap",
  "gas",
  "codes",
  "road",
] as const;
export type ProofName = (typeof PROOFS)[number];
