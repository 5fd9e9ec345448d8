import { data } from "react-router";
import { openToAll } from "../desk/guard.server.ts";

export const loader = openToAll(async () => {
  throw data({ message: "" }, { status: 404 });
});

export default function NotFound() {
  return null;
}
