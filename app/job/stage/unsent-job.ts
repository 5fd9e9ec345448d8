import type { JobPage } from "../../../server/books/jobs/read-job.ts";
import type { readVehicle } from "../../../server/subjects/vehicles/read-vehicle.ts";
import type { MemberView } from "../../desk/member.ts";
import { readPage } from "../../kept/kept-pages.ts";
import { browserStore } from "../../outbox/browser-store.ts";
import type { Unsent } from "../../outbox/outbox.ts";

type Read = Omit<JobPage, "entries"> & { book: string };
type VehicleRead = Awaited<ReturnType<typeof readVehicle>> & { people: { id: string; name: string }[] };

/** The number of a job that has none yet: the server gives it. */
export const NO_NUMBER = 0;

const opens = (unsent: Unsent, jobId: string) =>
  (unsent.parcel?.kind === "job" || unsent.parcel?.kind === "take-in") && unsent.jobId === jobId
    ? unsent.parcel
    : undefined;

/** A car that was taken in here by its plate: nothing else is known of it. */
const takenIn = (
  id: string,
  plate: string,
): Pick<VehicleRead, "people" | "card"> & Pick<Read, "vehicle"> => ({
  people: [],
  card: null,
  vehicle: { id, plate, vin: null, name: "", distanceKm: null },
});

/** A job that was opened in this browser and isn't sent: its vehicle as it was last read here, and an empty book. */
export async function unsentJob(jobId: string): Promise<Read | undefined> {
  const waiting = await browserStore.all().catch((): Unsent[] => []);
  const found = waiting.find((unsent) => opens(unsent, jobId));
  const parcel = found && opens(found, jobId);
  if (!found || !parcel) return undefined;
  const read =
    parcel.kind === "take-in"
      ? takenIn(parcel.vehicleId, parcel.plate)
      : ((await readPage(`vehicle:${parcel.vehicleId}`))?.data as VehicleRead | undefined);
  const member = (await readPage("frame"))?.data as MemberView | undefined;
  if (!read || !member) return undefined;
  const { id, plate, vin, name, distanceKm } = read.vehicle;
  const names = Object.fromEntries(
    [...read.people, { id: member.personId, name: member.name }].map((each) => [each.id, each.name]),
  );
  return {
    job: {
      id: jobId,
      number: NO_NUMBER,
      bay: parcel.kind === "job" ? parcel.bay : "",
      openedAt: found.entry.at,
      openedBy: names[found.personId] ?? null,
      assignedTo: names[(parcel.kind === "job" && parcel.assignedTo) || ""] ?? null,
      signedAt: null,
      signedBy: null,
      signReason: null,
      from: null,
    },
    vehicle: { id, plate, vin, name, distanceKm },
    ranBeforeKm: null,
    card: read.card,
    cardTakenFrom: null,
    names,
    coolants: [],
    book: "[]",
  };
}
