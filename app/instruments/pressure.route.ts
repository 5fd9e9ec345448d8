import { data } from "react-router";
import { readTester, type TesterRead } from "../../server/instruments/read-tester.ts";
import { guarded } from "../desk/guard.server.ts";
import type { Route } from "./+types/pressure.route";

/** What the shop's pressure tester shows now; nothing of it is booked by that. */
export const loader = guarded("technician", async () => {
  try {
    return { read: await readTester(process.env.PRESSURE_TESTER) };
  } catch (error) {
    const { message, status } = error as { message?: string; status?: number };
    if (status === 503) return data({ trouble: message ?? "The tester doesn't answer." });
    throw error;
  }
});

export type TesterAnswer = { read: TesterRead } | { trouble: string };

/** Without a server there is no tester either. */
export async function clientLoader({ serverLoader }: Route.ClientLoaderArgs): Promise<TesterAnswer> {
  try {
    return (await serverLoader()) as TesterAnswer;
  } catch {
    return { trouble: "No server to be had: read the gauge by eye and type what it shows." };
  }
}
