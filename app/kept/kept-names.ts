type Params = Record<string, string | undefined>;

const NAMES: Record<string, (params: Params, search: string) => string | undefined> = {
  root: () => "root",
  "shell/frame.route": () => "frame",
  "today/route": () => "today",
  // One reading of the day, seen from two pages.
  "today/mine.route": () => "today",
  "vehicles/route": (_, search) => (search === "" ? "vehicles" : undefined),
  "vehicle/route": ({ vehicleId }) => `vehicle:${vehicleId}`,
  "vehicle-card/route": ({ vehicleId }) => `card:${vehicleId}`,
  "shelf/route": () => "shelf",
  "watch/route": () => "watch",
  "bench/route": () => "bench",
  "bench/practice/route": () => "practice",
  "shop/route": () => "shop",
  "job/route": ({ jobId }) => `job:${jobId}`,
  "job/plan/route": ({ jobId }) => `plan:${jobId}`,
  "job/ask/route": ({ jobId }) => `ask:${jobId}`,
  "job/strip/route": ({ jobId }) => `strip:${jobId}`,
  "job/build/route": ({ jobId }) => `build:${jobId}`,
  "job/sign/route": ({ jobId }) => `sign:${jobId}`,
  "job/report/route": ({ jobId }) => `report:${jobId}`,
  "job/find/route": ({ jobId }) => `find:${jobId}`,
};

/** Under which name what a route reads is kept in this browser; nothing where it isn't. */
export const keptName = (routeId: string, params: Params, search = ""): string | undefined =>
  NAMES[routeId]?.(params, search);
