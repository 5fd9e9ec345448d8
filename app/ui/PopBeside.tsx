import { Popover } from "radix-ui";
import type { ReactNode, RefObject } from "react";

const GAP_PX = 6;
const FROM_EDGE_PX = 8;

export interface Sheet {
  /** What it is called. */
  label: string;
  side?: "top" | "right" | "bottom";
  align?: "start" | "end";
  className: string;
  children: ReactNode;
}

/** The sheet of a `Pop`, beside its button: it takes the focus, and gives it back. */
export function PopBeside({
  id,
  label,
  anchor,
  onClose,
  ...sheet
}: Sheet & {
  id: string;
  anchor: RefObject<HTMLButtonElement | null>;
  onClose: () => void;
}) {
  return (
    <Popover.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Popover.Anchor virtualRef={anchor as RefObject<HTMLButtonElement>} />
      <Popover.Portal>
        <Popover.Content
          id={id}
          aria-label={label}
          sideOffset={GAP_PX}
          collisionPadding={FROM_EDGE_PX}
          // The button closes by itself what it opened.
          onInteractOutside={(event) => {
            if (anchor.current?.contains(event.target as Node)) event.preventDefault();
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            anchor.current?.focus();
          }}
          {...sheet}
        />
      </Popover.Portal>
    </Popover.Root>
  );
}
