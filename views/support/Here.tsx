import { useLayoutEffect } from "react";
import { type NavigateFunction, Outlet, useLocation, useNavigate } from "react-router";

declare global {
  interface Window {
    /** The light document's own tools. */
    happyDOM?: { setURL: (url: string) => void };
  }
}

/** Goes to another address as a browser's own buttons do. */
export const browser: { go?: NavigateFunction } = {};

/** Tells the document where the router is, as a browser's address does. */
export function Here() {
  const { pathname, search, hash } = useLocation();
  browser.go = useNavigate();
  useLayoutEffect(() => {
    window.happyDOM?.setURL(`${window.location.origin}${pathname}${search}${hash}`);
  }, [pathname, search, hash]);
  return <Outlet />;
}
