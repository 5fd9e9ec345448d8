import { AlertDialog } from "radix-ui";
import type { MouseEvent } from "react";
import type { Duty } from "../../../core/state/index.ts";
import { useMember } from "../../desk/member.ts";
import { Button } from "../../ui/Button.tsx";
import { useRest } from "../../ui/useRest.ts";
import { useReturnFocus } from "../../ui/useReturnFocus.ts";

/** What the signer is told once more, at another place than the first tap, before the job is locked. */
export function ConfirmSignature({
  isOpen,
  open,
  missing,
  onSign,
  onLeave,
}: {
  isOpen: boolean;
  open: number;
  missing: readonly Duty[];
  onSign: () => void;
  onLeave: () => void;
}) {
  const { name } = useMember();
  const isResting = useRest(isOpen);
  const focus = useReturnFocus();
  // The second half of a double tap takes the focus nowhere.
  const keepsFocus = (event: MouseEvent) => event.preventDefault();
  return (
    <AlertDialog.Root open={isOpen} onOpenChange={(stays) => !stays && onLeave()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-50 bg-black/40" onMouseDown={keepsFocus} />
        <AlertDialog.Content className="dialog" onMouseDown={keepsFocus} {...focus}>
          <AlertDialog.Title className="font-bold text-2xl">
            {open === 0 ? "Sign and lock this job?" : `Sign and lock it with ${open} open?`}
          </AlertDialog.Title>
          <AlertDialog.Description>
            After this only corrections can be booked. Your name goes under it: {name}.
          </AlertDialog.Description>
          {missing.length > 0 && (
            <div>
              <p className="font-bold">Not said in the book</p>
              <ul className="list-disc pl-6">
                {missing.map(({ words }, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: of two parts of one name the same may be left unsaid
                  <li key={`${index} ${words}`}>{words}</li>
                ))}
              </ul>
            </div>
          )}
          <div className="flex flex-wrap justify-between gap-3">
            <Button isResting={isResting} onClick={onSign}>
              {open === 0 ? "Yes, sign the job" : `Yes, sign with ${open} open`}
            </Button>
            <AlertDialog.Cancel asChild>
              <Button weight="main">Not yet</Button>
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
