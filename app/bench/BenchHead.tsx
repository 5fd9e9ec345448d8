import { NavLink } from "react-router";

const look = ({ isActive }: { isActive: boolean }) =>
  `inline-flex min-h-12 items-center px-4 ${isActive ? "bg-ink font-bold text-paper" : "underline underline-offset-4"}`;

/** The bench has two sides: a car to try things on, and a car with something hidden in it. */
export function BenchHead({ title }: { title: string }) {
  return (
    <header className="mb-4 flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-ink border-b-2">
      <h1 className="text-3xl">{title}</h1>
      <nav aria-label="Bench" className="flex">
        <NavLink to="/bench" end className={look}>
          Try things
        </NavLink>
        <NavLink to="/bench/practice" className={look}>
          Practice
        </NavLink>
      </nav>
    </header>
  );
}
