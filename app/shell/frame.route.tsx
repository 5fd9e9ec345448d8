import { useEffect } from "react";
import { Outlet, redirect, useLoaderData } from "react-router";
import { deviceCookie, readCookie, readPreferences } from "../desk/cookies.server.ts";
import { guarded } from "../desk/guard.server.ts";
import { MemberContext, type MemberView } from "../desk/member.ts";
import { staysWhileBrowsing } from "../desk/stays.ts";
import { KeepPages } from "../kept/KeepPages.tsx";
import { keptReading } from "../kept/reading.ts";
import { startOffline } from "../offline/start.ts";
import { OutboxProvider } from "../outbox/OutboxProvider.tsx";
import { Announcer } from "../ui/Announcer.tsx";
import { Part } from "../ui/Part.tsx";
import { useShared } from "../ui/useShared.ts";
import { ConnectionNote } from "./ConnectionNote.tsx";
import { Going } from "./Going.tsx";
import { Rail } from "./Rail.tsx";
import { Shortcuts } from "./Shortcuts.tsx";
import { StillYou } from "./StillYou.tsx";
import { ToldUnsent } from "./ToldUnsent.tsx";
import { useFreshness } from "./useFreshness.ts";
import { usePageFocus } from "./usePageFocus.ts";

export const loader = guarded("desk", async ({ request, member }): Promise<MemberView> => {
  const { theme } = await readPreferences(request);
  return { ...member, theme, isShopsOwn: (await readCookie(deviceCookie, request)) !== undefined };
});

/** With nobody known here and no server to ask, the page to sign in at says so. */
export const clientLoader = keptReading<MemberView>("shell/frame.route", async () => {
  throw redirect("/sign-in");
});

export { staysWhileBrowsing as shouldRevalidate };

/** The rail and what every signed-in page shares: unsent entries, keys, whether there is a server. */
export default function Frame() {
  const member = useShared(useLoaderData<typeof loader>());
  useFreshness();
  usePageFocus();
  useEffect(startOffline, []);
  // The page that starts without a network comes without anybody's choice.
  useEffect(() => {
    if (member.theme !== "system") document.documentElement.dataset.theme = member.theme;
  }, [member.theme]);
  return (
    <MemberContext value={member}>
      <OutboxProvider key={member.personId} personId={member.personId}>
        <a
          href="#work"
          className="sr-only focus:not-sr-only focus:fixed focus:top-2 focus:left-2 focus:z-50 focus:bg-sheet focus:p-3"
        >
          To the work
        </a>
        <div className="flex min-h-dvh flex-col-reverse print:block rail:flex-row">
          <Part>
            <Rail />
          </Part>
          <div className="flex min-w-0 flex-1 flex-col book:h-dvh print:block print:h-auto">
            <ConnectionNote />
            <div className="min-h-0 flex-1 book:overflow-y-auto print:overflow-visible">
              <Part>
                <Outlet />
              </Part>
            </div>
          </div>
        </div>
        <Part>
          <Shortcuts />
        </Part>
        <Part>
          <Going />
        </Part>
        <KeepPages member={member} />
        <ToldUnsent />
        <Part>
          <StillYou />
        </Part>
        <Announcer />
      </OutboxProvider>
    </MemberContext>
  );
}
