import { setPriority } from "node:os";
import { isMainThread } from "node:worker_threads";

const LATER = 10;

/**
 * Gives whatever a thread does less of the processor than bookings get. On Linux a priority is a thread's own, so that it is this one's
 * and not the server's; elsewhere, or where it isn't allowed, all stays as it is.
 */
export function workAfterBookings(): void {
  if (isMainThread || process.platform !== "linux") return;
  try {
    setPriority(LATER);
  } catch {
    // It is only slower for the others.
  }
}
