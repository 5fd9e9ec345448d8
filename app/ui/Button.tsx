import type { ButtonHTMLAttributes, MouseEvent } from "react";
import { Link, type LinkProps } from "react-router";
import { showSlip } from "./slips.ts";

type Weight = "main" | "plain" | "quiet";

const LOOKS: Record<Weight, string> = {
  main: "border-ink bg-ink text-paper hover:bg-ink-2",
  plain: "border-ink bg-sheet hover:bg-wash",
  quiet: "border-transparent underline underline-offset-4 hover:bg-wash",
};

const BASE =
  "inline-flex min-h-12 items-center justify-center gap-2 rounded-md border-2 px-5 py-2 font-bold leading-tight";
const OFF =
  "disabled:cursor-not-allowed disabled:border-dashed disabled:border-edge disabled:bg-transparent disabled:text-ink-2";

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  weight?: Weight;
  /** True where it takes no tap for the moment, and looks as ever: see `useRest`. */
  isResting?: boolean;
}

export function Button({
  weight = "plain",
  className = "",
  type = "button",
  isResting = false,
  disabled = false,
  onClick,
  ...rest
}: ButtonProps) {
  const look = disabled ? `${LOOKS[weight]} ${OFF}` : LOOKS[weight];
  const press = (event: MouseEvent<HTMLButtonElement>) => {
    if (!isResting) return onClick?.(event);
    event.preventDefault();
    showSlip(event.currentTarget);
  };
  return (
    <button
      type={type}
      className={`${BASE} ${look} ${className}`}
      disabled={disabled}
      // Not disabled: that would throw focus out of it.
      data-rests={isResting || undefined}
      onClick={press}
      {...rest}
    />
  );
}

export function ButtonLink({ weight = "plain", className = "", ...rest }: LinkProps & { weight?: Weight }) {
  return <Link className={`${BASE} ${LOOKS[weight]} ${className}`} {...rest} />;
}
