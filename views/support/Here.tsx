import { useLayoutEffect } from "react";
import { Outlet, useLocation } from "react-router";

declare global {
  interface Window {
    /** The light document's own tools. */
    happyDOM?: { setURL: (url: string) => void };
  }
}

/** Tells the document where the router is, as a browser's address does. */
export function Here() {
  const { pathname, search, hash } = useLocation();
  useLayoutEffect(() => {
    window.happyDOM?.setURL(`${window.location.origin}${pathname}${search}${hash}`);
  }, [pathname, search, hash]);
  return <Outlet />;
}
