import { useRouteLoaderData } from "react-router";
import type { System } from "../../core/units/index.ts";
import type { loader } from "./frame.route.tsx";

export const FRAME = "shell/frame.route";

/** Who is signed in, with the units and time zone everything is shown in. */
export function useMember() {
  const found = useRouteLoaderData<typeof loader>(FRAME);
  if (!found) throw new Error("useMember stands outside the frame");
  return found;
}

export function useSystem(): System {
  return useMember().units;
}
