import { CalendarDays, Car, CircleHelp, LogOut, Moon, Ruler, Store, Sun } from "lucide-react";
import { Form, NavLink, useFetcher } from "react-router";
import { useMember } from "./member.ts";
import { UnsentCount } from "./UnsentCount.tsx";

const PLACES = [
  { to: "/", label: "Today", Icon: CalendarDays },
  { to: "/vehicles", label: "Vehicles", Icon: Car },
  { to: "/shop", label: "Shop", Icon: Store },
] as const;

const CELL =
  "flex min-h-14 min-w-14 flex-1 flex-col items-center justify-center gap-1 px-1 py-2 text-sm md:flex-none";

/** The slim rail: the places, then how things look, who is here and what isn't sent. A bar at the foot on a phone. */
export function Rail() {
  const { units, theme, name } = useMember();
  const preferences = useFetcher();
  return (
    <nav
      aria-label="Places"
      className="sticky bottom-0 z-30 flex shrink-0 border-rule border-t bg-paper md:top-0 md:h-dvh md:w-[84px] md:flex-col md:border-t-0 md:border-r"
    >
      {PLACES.map(({ to, label, Icon }) => (
        <NavLink
          key={to}
          to={to}
          end={to === "/"}
          className={({ isActive }) =>
            `${CELL} ${isActive ? "border-ink border-t-4 font-bold md:border-t-0 md:border-l-4" : "text-ink-2"}`
          }
        >
          <Icon size={24} strokeWidth={1.8} aria-hidden="true" />
          {label}
        </NavLink>
      ))}
      <div className="hidden flex-1 md:block" />
      <UnsentCount />
      <preferences.Form method="post" action="/preferences" className="hidden flex-col md:flex">
        <button
          type="submit"
          name="units"
          value={units === "metric" ? "us" : "metric"}
          className={`${CELL} text-ink-2`}
        >
          <Ruler size={22} strokeWidth={1.8} aria-hidden="true" />
          {units === "metric" ? "°C · L" : "°F · qt"}
          <span className="sr-only">: change units</span>
        </button>
        <button
          type="submit"
          name="theme"
          value={theme === "dim" ? "day" : "dim"}
          className={`${CELL} text-ink-2`}
        >
          {theme === "dim" ? (
            <Sun size={22} strokeWidth={1.8} aria-hidden="true" />
          ) : (
            <Moon size={22} strokeWidth={1.8} aria-hidden="true" />
          )}
          {theme === "dim" ? "Daylight" : "Dim bay"}
        </button>
      </preferences.Form>
      <button
        type="button"
        className={`${CELL} hidden text-ink-2 md:flex`}
        onClick={() => window.dispatchEvent(new Event("show-keys"))}
      >
        <CircleHelp size={22} strokeWidth={1.8} aria-hidden="true" />
        Keys
      </button>
      <Form method="post" action="/sign-out" className="flex flex-1 md:flex-none">
        <button type="submit" className={`${CELL} w-full text-ink-2`}>
          <LogOut size={22} strokeWidth={1.8} aria-hidden="true" />
          {name.split(" ")[0]}
          <span className="sr-only">: sign out</span>
        </button>
      </Form>
    </nav>
  );
}
