import { redirect } from "react-router";
import { signOut } from "../../server/people/sign-in.ts";
import { readCookie, sessionCookie } from "../shell/cookies.server.ts";
import { guarded } from "../shell/guard.server.ts";

export const loader = guarded("desk", async () => redirect("/"));

export const action = guarded("desk", async ({ request, desk }) => {
  const token = await readCookie(sessionCookie, request);
  if (token) await desk((given) => signOut(given, token));
  return redirect("/sign-in", {
    headers: { "Set-Cookie": await sessionCookie.serialize("", { maxAge: 0 }) },
  });
});
