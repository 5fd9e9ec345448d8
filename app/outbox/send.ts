import type { Answer, Unsent } from "./outbox.ts";

const LONGEST_WAIT_MS = 12_000;
/** A whole log or picture over a shop's network takes its time. */
const LONGEST_FILE_WAIT_MS = 60_000;

/** Said of what the server can't take just now: no no, and no server that isn't there. */
const LATER = [429, 503];
const AGAIN_S = 10;

/** Our own JSON, or nothing: a proxy's page, a captive portal's or a redirect's is nobody's word. */
async function ownAnswer(response: Response): Promise<Record<string, unknown> | undefined> {
  if (response.type === "opaqueredirect" || response.redirected) return undefined;
  if (!response.headers.get("Content-Type")?.includes("application/json")) return undefined;
  const answer: unknown = await response.json().catch(() => undefined);
  return answer && typeof answer === "object" && !Array.isArray(answer)
    ? (answer as Record<string, unknown>)
    : undefined;
}

/** What an answer means for the entry that was sent. "booked" only where our own answer names it with its number. */
export async function answerOf(response: Response, id: string): Promise<Answer> {
  const answer = await ownAnswer(response);
  if (!answer) return "unreachable";
  const { lastSeq, booked, bookedIn, refused, message, reference, isSignedOut, isDown } = answer;
  if (response.status === 200) {
    const isBooked = typeof lastSeq === "number" && Array.isArray(booked) && booked.includes(id);
    if (!isBooked) return "unreachable";
    return typeof bookedIn === "string" && bookedIn !== id ? { bookedIn } : "booked";
  }
  if (response.status === 401 && isSignedOut === true) return "signed-out";
  if (response.status === 500 && typeof reference === "string") return { stuck: String(message) };
  if (isDown === true || !refused || typeof refused !== "object") return "unreachable";
  const { message: said, fields } = refused as { message?: unknown; fields?: Record<string, unknown> };
  const words = said || Object.values(fields ?? {}).join(" ");
  if (LATER.includes(response.status)) {
    const againInS = Number(response.headers.get("Retry-After"));
    return {
      later: String(words || "It is to come again later."),
      againInS: againInS > 0 ? againInS : AGAIN_S,
    };
  }
  if (response.status >= 500) return "unreachable";
  return { refused: String(words || `The server refused it (${response.status}).`) };
}

/** By which the server tells how far this browser's clock is off, and puts right what it says of when. */
export const CLOCK_HEADER = "X-Clock";

const asJson = (value: unknown): RequestInit => ({
  headers: { "Content-Type": "application/json", [CLOCK_HEADER]: new Date().toISOString() },
  body: JSON.stringify(value),
});

/** Where one goes and as what. */
function addressed({ jobId, entry, parcel }: Unsent): [path: string, init: RequestInit] {
  const { id, stage, at } = entry;
  if (!parcel) return [`/jobs/${jobId}/entries`, asJson({ entries: [entry] })];
  if (parcel.kind === "signature") {
    const { reason, openSeen, openCount } = parcel;
    return [`/jobs/${jobId}/signature`, asJson({ id, reason, openSeen, openCount })];
  }
  if (parcel.kind === "job") {
    const { vehicleId, bay, assignedTo } = parcel;
    return [`/vehicles/${vehicleId}/jobs`, asJson({ id, bay, ...(assignedTo ? { assignedTo } : {}) })];
  }
  if (parcel.kind === "take-in") {
    const { vehicleId, plate } = parcel;
    return ["/vehicles/take-in", asJson({ vehicleId, jobId: id, plate })];
  }
  if (parcel.kind === "vehicle") return ["/vehicles/written", asJson(parcel.fields)];
  if (parcel.kind === "level") return [`/vehicles/${parcel.vehicleId}/levels`, asJson(parcel.fields)];
  const form = new FormData();
  form.set("id", id);
  if (parcel.kind === "picture") {
    const { words, place, of, bytes } = parcel;
    const fields = { words, stage, at, ...(place ? { place } : {}), ...(of ? { of } : {}) };
    for (const [name, value] of Object.entries(fields)) form.set(name, value);
    form.set("picture", new File([bytes], "picture.jpg", { type: "image/jpeg" }));
    return [`/jobs/${jobId}/pictures`, { body: form }];
  }
  form.set("name", parcel.name);
  if (parcel.restedH !== undefined) form.set("restedH", String(parcel.restedH));
  form.set("log", new File([parcel.bytes], "log.csv", { type: "text/csv" }));
  return [`/jobs/${jobId}/logs`, { body: form }];
}

/** Sends one. A redirect is never followed; whatever is not our own answer means there is no server to be had. */
export async function sendUnsent(unsent: Unsent): Promise<Answer> {
  try {
    const [path, init] = addressed(unsent);
    const isFile = unsent.parcel?.kind === "log" || unsent.parcel?.kind === "picture";
    const response = await fetch(path, {
      method: "POST",
      ...init,
      redirect: "manual",
      signal: AbortSignal.timeout(isFile ? LONGEST_FILE_WAIT_MS : LONGEST_WAIT_MS),
    });
    return await answerOf(response, unsent.entry.id);
  } catch {
    return "unreachable";
  }
}
