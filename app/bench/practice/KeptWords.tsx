import { Button } from "../../ui/Button.tsx";
import type { UnkeptHere } from "./useUnkept.ts";

/** What became of the round that is shown, or of those that were left before a server had them. */
export function KeptWords({ unkept, shownId }: { unkept: UnkeptHere; shownId?: string }) {
  const { waiting, keptId, trouble, again } = unkept;
  const isKept = shownId !== undefined && keptId === shownId;
  const count = waiting.length;
  if (shownId === undefined && count === 0 && trouble === "") return null;
  const words = isKept
    ? "In your rounds."
    : trouble !== ""
      ? trouble
      : count === 1 && waiting[0]?.setup.id === shownId
        ? "It is being kept."
        : count > 0
          ? `${count} ${count === 1 ? "round is" : "rounds are"} being kept.`
          : "";
  return (
    <p role="status" className="text-ink-2">
      {words}
      {!isKept && trouble !== "" && count > 0 && (
        <Button weight="quiet" className="px-2" onClick={again}>
          Keep it now
        </Button>
      )}
    </p>
  );
}
