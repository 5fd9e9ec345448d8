import { readdirSync } from "node:fs";
import { setPriority } from "node:os";

const LATER = 10;

/**
 * Gives whatever a process beside the server does less of the processor than bookings get. On Linux a priority is a thread's
 * own, and those that clear memory up began before this one could ask; elsewhere, or where it isn't allowed, all stays as it is.
 */
export function workAfterBookings(): void {
  if (process.platform !== "linux" || !process.env.TINYPOOL_WORKER_ID) return;
  try {
    for (const thread of readdirSync("/proc/self/task")) setPriority(Number(thread), LATER);
  } catch {
    // It is only slower for the others.
  }
}
