import { createContext, useContext } from "react";
import type { System } from "../../core/kernel/units/index.ts";
import type { Role } from "../../server/desk/roles.ts";
import type { KeyWay } from "../keys/key-registry.ts";

/** Who is signed in, as every page of the frame knows them. */
export interface MemberView {
  shopId: string;
  personId: string;
  name: string;
  role: Role;
  shopName: string;
  units: System;
  timeZone: string;
  /** By ISO 4217. */
  currency: string;
  /** Where the shop lies, metres, and the coldest °C that its vehicles have to stand; null until somebody said. */
  altitudeM: number | null;
  coldestC: number | null;
  keys: KeyWay;
  theme: "day" | "dim" | "system";
  /** True where the browser is one of the shop's own. */
  isShopsOwn: boolean;
  /** True where they are signed in as on one of the shop's own: others use it too. */
  isShared: boolean;
}

/** Given by the frame; the router's own way to its data would draw whoever asks again at each reading of anything. */
export const MemberContext = createContext<MemberView | null>(null);

/** Who is signed in, with the units and time zone everything is shown in. */
export function useMember(): MemberView {
  const found = useContext(MemberContext);
  if (!found) throw new Error("useMember stands outside the frame");
  return found;
}
