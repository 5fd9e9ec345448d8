import { type ButtonHTMLAttributes, useId, useRef, useState } from "react";
import { later } from "./later.ts";
import type { Sheet } from "./PopBeside.tsx";

const beside = later(() => import("./PopBeside.tsx"));

interface Given extends Sheet {
  trigger: ButtonHTMLAttributes<HTMLButtonElement>;
  isOpen: boolean;
  onOpenChange: (isOpen: boolean) => void;
}

/** A button and the sheet that it opens beside it. What places the sheet comes after the page; one that was opened before it is, opens then. */
export function Pop({ trigger, label, isOpen, onOpenChange, ...sheet }: Given) {
  const id = useId();
  const button = useRef<HTMLButtonElement>(null);
  const Beside = beside.use(isOpen)?.PopBeside;
  return (
    <>
      <button
        {...trigger}
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={isOpen}
        aria-controls={isOpen ? id : undefined}
        onClick={() => onOpenChange(!isOpen)}
      />
      {Beside && isOpen && (
        <Beside id={id} label={label} anchor={button} onClose={() => onOpenChange(false)} {...sheet} />
      )}
    </>
  );
}

/** The same, where nobody else needs to know whether it is open. */
export function OwnPop(given: Omit<Given, "isOpen" | "onOpenChange">) {
  const [isOpen, setOpen] = useState(false);
  return <Pop {...given} isOpen={isOpen} onOpenChange={setOpen} />;
}
