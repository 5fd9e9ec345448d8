/** When the trouble shows, as owners tell of it. Ids are stored, so they never change; words may. */
export const HAPPENS = {
  standing: "standing still",
  road: "on the road",
  uphill: "uphill",
  towing: "towing",
  "hot-weather": "hot weather",
  "cold-weather": "cold weather",
  "after-drive": "after a drive",
  "after-night": "after a night",
  "air-conditioning": "with air conditioning",
  "after-work": "after recent work",
} as const;
export type HappensWhen = keyof typeof HAPPENS;

/** Where the gauge on the dash stood: a poor witness. */
export const GAUGES = {
  cold: "cold",
  "below-half": "below half",
  half: "half",
  "three-quarters": "three quarters",
  red: "in the red",
  broken: "not working",
} as const;
export type GaugeStood = keyof typeof GAUGES;
