import { useRouteLoaderData } from "react-router";
import type { System } from "../../core/units/index.ts";
import type { Role } from "../../server/people/roles.ts";

/** Who is signed in, as every page of the frame knows them. */
export interface MemberView {
  personId: string;
  name: string;
  role: Role;
  shopName: string;
  units: System;
  timeZone: string;
  theme: "day" | "dim";
}

const FRAME = "shell/frame.route";

/** Who is signed in, with the units and time zone everything is shown in. */
export function useMember(): MemberView {
  const found = useRouteLoaderData(FRAME) as MemberView | undefined;
  if (!found) throw new Error("useMember stands outside the frame");
  return found;
}
