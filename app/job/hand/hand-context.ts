import { createContext } from "react";
import type { Act } from "../../../core/stages/next/index.ts";

/** What is in hand on this page, for what stands behind it. */
export const InHandHere = createContext<Act | undefined>(undefined);
