import { AlertDialog } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { noteTouch, watchHands } from "../desk/hands.ts";
import { useMember } from "../desk/member.ts";
import { Button } from "../ui/Button.tsx";
import { useRest } from "../ui/useRest.ts";
import { useReturnFocus } from "../ui/useReturnFocus.ts";
import { useLeave } from "./useLeave.ts";

/** A warm-up is watched for as long without a touch. */
const PAUSE_MS = 30 * 60_000;

/**
 * On a browser that others use too, whoever comes back to it after a pause is asked whether they are still the one who is
 * signed in, so that nobody books in the last one's name.
 */
export function StillYou() {
  const { name, isShared } = useMember();
  const focus = useReturnFocus();
  const [isAsked, setAsked] = useState(false);
  const isResting = useRest(isAsked);
  const { leave, isLeaving, refused } = useLeave();
  const first = name.split(" ")[0];
  const asked = useRef(false);
  useEffect(
    () =>
      watchHands((untouchedMs) => {
        if (isShared && untouchedMs >= PAUSE_MS && !asked.current) {
          asked.current = true;
          setAsked(true);
        }
        return asked.current;
      }),
    [isShared],
  );
  const stay = () => {
    asked.current = false;
    noteTouch();
    setAsked(false);
  };
  return (
    <AlertDialog.Root open={isAsked}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-50 bg-black/40" />
        <AlertDialog.Content
          className="dialog"
          {...focus}
          onEscapeKeyDown={(event) => event.preventDefault()}
        >
          <AlertDialog.Title className="font-bold text-xl">Still {name}?</AlertDialog.Title>
          <AlertDialog.Description>
            Nobody has touched this browser for a while. What is booked here stands under {first}'s name; the
            page stays as it is.
          </AlertDialog.Description>
          {refused && (
            <p role="alert" className="border-ink border-l-4 pl-3 font-bold">
              There is no server to sign out from. Write nothing here until it answers.
            </p>
          )}
          <div className="flex flex-wrap justify-between gap-3">
            <Button isResting={isResting} disabled={isLeaving} onClick={leave}>
              Somebody else
            </Button>
            <Button weight="main" isResting={isResting} onClick={stay}>
              Yes, {first}
            </Button>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
