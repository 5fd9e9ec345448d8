import { useEffect, useRef } from "react";
import { useFetcher, useLocation, useNavigate } from "react-router";
import type { Refused } from "../desk/guard.server.ts";

/** Signs out and leads to where the next one signs in, for the same page; with what was refused, where there was no server. */
export function useLeave() {
  const { pathname, search } = useLocation();
  const navigate = useNavigate();
  const leaving = useFetcher<Refused>();
  const wasBusy = useRef(false);
  const to = encodeURIComponent(pathname + search);
  const refused = leaving.state === "idle" ? leaving.data?.refused : undefined;
  useEffect(() => {
    if (leaving.state !== "idle") {
      wasBusy.current = true;
      return;
    }
    // The router lets a redirect go by when the page began to read itself anew meanwhile: the session has ended all the same.
    if (wasBusy.current && !refused) void navigate(`/sign-in?to=${to}`);
    wasBusy.current = false;
  }, [leaving.state, refused, navigate, to]);
  return {
    leave: () => void leaving.submit(null, { method: "post", action: `/sign-out?to=${to}` }),
    isLeaving: leaving.state !== "idle",
    refused,
  };
}
