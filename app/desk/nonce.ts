import { createContext, useContext } from "react";

export const NonceContext = createContext<string | undefined>(undefined);

/** The nonce that this answer's inline scripts must carry; there is none in the browser, where it is blanked anyway. */
export const useNonce = () => useContext(NonceContext);
