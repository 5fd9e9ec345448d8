import { type HeadersFunction, Outlet } from "react-router";

export { Unread as ErrorBoundary } from "./Unread.tsx";

/** When it may be asked again is said by a page that can't be shown, as it is by an answer to a program. */
export const headers: HeadersFunction = ({ errorHeaders }) => {
  const again = errorHeaders?.get("Retry-After");
  return again ? new Headers({ "Retry-After": again }) : new Headers();
};

/** Inside the frame: a page that can't be shown takes nothing else of the screen with it. */
export default function Within() {
  return <Outlet />;
}
