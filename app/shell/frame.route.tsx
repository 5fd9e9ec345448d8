import { Outlet } from "react-router";
import { OutboxProvider } from "../job/outbox/OutboxProvider.tsx";
import { readPreferences } from "./cookies.server.ts";
import { guarded } from "./guard.server.ts";
import type { MemberView } from "./member.ts";
import { Rail } from "./Rail.tsx";
import { Shortcuts } from "./Shortcuts.tsx";
import { staysWhileBrowsing } from "./stays.ts";

export const loader = guarded("desk", async ({ request, member }): Promise<MemberView> => {
  const { theme } = await readPreferences(request);
  const { personId, name, role, shopName, units, timeZone } = member;
  return { personId, name, role, shopName, units, timeZone, theme };
});

export { staysWhileBrowsing as shouldRevalidate };

/** The rail and what every signed-in page shares: unsent entries, keys. */
export default function Frame({ loaderData }: { loaderData: MemberView }) {
  return (
    <OutboxProvider key={loaderData.personId} personId={loaderData.personId}>
      <a
        href="#work"
        className="sr-only focus:not-sr-only focus:fixed focus:top-2 focus:left-2 focus:z-50 focus:bg-sheet focus:p-3"
      >
        To the work
      </a>
      <div className="flex min-h-dvh flex-col-reverse md:flex-row">
        <Rail />
        <div className="min-w-0 flex-1">
          <Outlet />
        </div>
      </div>
      <Shortcuts />
    </OutboxProvider>
  );
}
