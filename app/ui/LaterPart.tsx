import type { ComponentType } from "react";
import type { Later } from "./later.ts";

/** A part of a page that is fetched as somebody opens it: nobody waits for what nobody has asked for. */
export function LaterPart<Given extends object>({
  part,
  given,
}: {
  part: Later<ComponentType<Given>>;
  given: Given;
}) {
  const Part = part.use();
  return Part ? <Part {...given} /> : <p role="status">It is being fetched.</p>;
}
