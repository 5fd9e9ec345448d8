import { AlertDialog } from "radix-ui";
import { type ReactNode, useState } from "react";
import { useOutboxLines } from "../outbox/OutboxProvider.tsx";
import { Button } from "../ui/Button.tsx";
import { useReturnFocus } from "../ui/useReturnFocus.ts";
import { useLeave } from "./useLeave.ts";

/** Signs out, so that whoever signs in next is where this one was; with something unsent it says so first, and what becomes of it. */
export function SignOut({
  className,
  label,
  children,
}: {
  className: string;
  label: string;
  children: ReactNode;
}) {
  const focus = useReturnFocus();
  const { unsent } = useOutboxLines();
  const [isAsked, setAsked] = useState(false);
  const { leave, refused } = useLeave();
  const [isSaid, setSaid] = useState(false);
  const signOut = () => {
    setSaid(true);
    leave();
  };
  const count = unsent.length;
  return (
    <>
      <button
        type="button"
        className={className}
        aria-label={label}
        onClick={() => (count > 0 ? setAsked(true) : signOut())}
      >
        {children}
      </button>
      <AlertDialog.Root open={isSaid && Boolean(refused)} onOpenChange={() => setSaid(false)}>
        <AlertDialog.Portal>
          <AlertDialog.Overlay className="fixed inset-0 z-50 bg-black/40" />
          <AlertDialog.Content className="dialog" {...focus}>
            <AlertDialog.Title className="font-bold text-xl">Still signed in</AlertDialog.Title>
            <AlertDialog.Description>
              There is no server to sign out from. Sign out again once it answers; until then whoever holds
              this browser works under your name.
            </AlertDialog.Description>
            <AlertDialog.Cancel asChild>
              <Button weight="main">I know</Button>
            </AlertDialog.Cancel>
          </AlertDialog.Content>
        </AlertDialog.Portal>
      </AlertDialog.Root>
      <AlertDialog.Root open={isAsked} onOpenChange={setAsked}>
        <AlertDialog.Portal>
          <AlertDialog.Overlay className="fixed inset-0 z-50 bg-black/40" />
          <AlertDialog.Content className="dialog" {...focus}>
            <AlertDialog.Title className="font-bold text-xl">
              {count === 1 ? "One entry isn't sent yet" : `${count} entries aren't sent yet`}
            </AlertDialog.Title>
            <AlertDialog.Description>
              {count === 1 ? "It stays" : "They stay"} in this browser, and {count === 1 ? "is" : "are"} sent
              when whoever typed {count === 1 ? "it" : "them"} signs in here again. Nobody else sees{" "}
              {count === 1 ? "it" : "them"} until then.
            </AlertDialog.Description>
            <div className="flex flex-wrap justify-between gap-3">
              <AlertDialog.Cancel asChild>
                <Button weight="main">Stay signed in</Button>
              </AlertDialog.Cancel>
              <Button
                onClick={() => {
                  setAsked(false);
                  signOut();
                }}
              >
                Sign out all the same
              </Button>
            </div>
          </AlertDialog.Content>
        </AlertDialog.Portal>
      </AlertDialog.Root>
    </>
  );
}
