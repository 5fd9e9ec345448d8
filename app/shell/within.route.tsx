import { Outlet } from "react-router";

export { Unread as ErrorBoundary } from "./Unread.tsx";

/** Inside the frame: a page that can't be shown takes nothing else of the screen with it. */
export default function Within() {
  return <Outlet />;
}
