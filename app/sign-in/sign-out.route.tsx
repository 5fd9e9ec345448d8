import { type ClientActionFunctionArgs, redirect } from "react-router";
import { signOut } from "../../server/subjects/people/sign-in.ts";
import { readCookie, sessionCookie } from "../desk/cookies.server.ts";
import { guarded } from "../desk/guard.server.ts";
import type { MemberView } from "../desk/member.ts";
import { forgetMember, readPage } from "../kept/kept-pages.ts";
import { keptPosting } from "../kept/posting.ts";

export const loader = guarded("desk", async () => redirect("/"));

export const action = guarded("desk", async ({ request, url, desk }) => {
  const token = await readCookie(sessionCookie, request);
  if (token) await desk((given) => signOut(given, token));
  const to = url.searchParams.get("to") ?? "/";
  return redirect(`/sign-in${to === "/" ? "" : `?to=${encodeURIComponent(to)}`}`, {
    headers: { "Set-Cookie": await sessionCookie.serialize("", { maxAge: 0 }) },
  });
});

/** Signing out needs the server: a browser that only forgot would let the next one in again. */
export async function clientAction({ serverAction }: ClientActionFunctionArgs): Promise<unknown> {
  const member = (await readPage("frame"))?.data as MemberView | undefined;
  const answer = await keptPosting()({ serverAction } as ClientActionFunctionArgs).catch(
    async (error: unknown) => {
      if (error instanceof Response) await forgetMember(member?.isShopsOwn ?? false);
      throw error;
    },
  );
  return answer;
}
