import { randomUUID } from "node:crypto";
import type { Entry } from "../../core/book/entry/index.ts";
import { openJob } from "../books/jobs/open-job.ts";
import { type AtDesk, atDesk, type Desk } from "../database/connection.ts";
import { type NewEntry, recordEntries } from "../entries/record-entries.ts";
import { addPerson } from "../subjects/people/add-person.ts";
import { hashSecrets } from "../subjects/people/secrets.ts";
import { createShop } from "../subjects/shops/create-shop.ts";
import { addVehicle } from "../subjects/vehicles/add-vehicle.ts";
import type { Scratch } from "./scratch-database.ts";

export const PIN = "4821";
export const PASSWORD = "warm-bench-lamp";

let serial = 0;
/** Hashed once: what a shop of a test is signed in by is no secret. */
const secretsOfAll = hashSecrets({ pin: PIN, password: PASSWORD });

/** A shop with a lead, a technician, somebody at the desk, one vehicle and one open job, for tests. */
export async function smallShop(
  scratch: Pick<Scratch, "owner" | "database" | "told">,
  name: string,
  { openedAt }: { openedAt?: Date } = {},
) {
  serial++;
  const shopId = randomUUID();
  await createShop(scratch.owner, {
    id: shopId,
    slug: `${name.toLowerCase()}-${serial}`,
    name,
    units: "metric",
    timeZone: "UTC",
  });
  const people = { lead: randomUUID(), technician: randomUUID(), desk: randomUUID() };
  const at = <Result>(work: (desk: Desk) => Promise<Result>, personId: string = people.technician) =>
    atDesk(scratch.database, { shopId, personId }, work);
  const asLead: AtDesk = (work) => at(work, people.lead);
  for (const role of ["lead", "technician", "desk"] as const) {
    const secrets = await secretsOfAll;
    await at(
      (desk) => addPerson(desk, { id: people[role], name: `${name} ${role}`, role, ...secrets }),
      people.lead,
    );
  }
  const vehicleId = randomUUID();
  const vin = `0ZZ${"ABCDEFGHJK"[serial % 10]}${String(serial).padStart(13, "0")}`;
  await at((desk) =>
    addVehicle(desk, {
      id: vehicleId,
      plate: `${name.slice(0, 3).toUpperCase()} ${1000 + serial}`,
      vin,
      name: `${name} Wayfarer`,
      use: "school run",
      distanceKm: 1000,
      card: {
        capacityL: 9.3,
        coolantKind: "si-oat",
        coolantProduct: "",
        coolantApproval: "",
        targetFraction: 0.5,
        capGaugeKpa: 110,
        thermostatOpensC: 87,
        circuit: "switch-1",
        fanOnC: [98],
        fanOffC: [92],
        fanSenses: "engine",
        fillPoint: "",
        bleedPoints: "",
        oilCooler: "none",
        sensorCurve: [],
      },
    }),
  );
  const jobId = randomUUID();
  const who = { shopId, personId: people.technician };
  await atDesk(scratch.told, openedAt ? { ...who, now: openedAt } : who, (desk) =>
    openJob(desk, { id: jobId, vehicleId, bay: "lift 1", assignedTo: people.technician }),
  );
  const book = (...drafts: Partial<Entry>[]) =>
    at((desk) => recordEntries(desk, jobId, drafts.map(newEntry)));
  return { shopId, slug: `${name.toLowerCase()}-${serial}`, people, vehicleId, vin, jobId, at, asLead, book };
}

/** A draft made whole for booking: an id of its own, typed now, in Strip. */
export function newEntry(draft: Partial<Entry>): NewEntry {
  return { id: randomUUID(), at: new Date().toISOString(), stage: "strip", kind: "movement", ...draft };
}
