import { data } from "react-router";
import { readToday } from "../../server/books/day/read-today.ts";
import { findVehicles } from "../../server/subjects/vehicles/find-vehicles.ts";
import { guarded } from "../desk/guard.server.ts";

/** What every browser keeps at hand for a day without a network, each as its own page reads it. */
export const loader = guarded("desk", async ({ desk }) =>
  data({
    today: await readToday(desk),
    vehicles: { search: "", vehicles: await desk((given) => findVehicles(given, "")) },
  }),
);
