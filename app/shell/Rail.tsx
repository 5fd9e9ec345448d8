import {
  CalendarDays,
  Car,
  CircleHelp,
  Droplets,
  Ellipsis,
  Gauge,
  Hand,
  LogOut,
  Moon,
  Package,
  Ruler,
  Store,
  Sun,
} from "lucide-react";
import { memo, type ReactNode, useState } from "react";
import { NavLink, useFetcher } from "react-router";
import { useMember } from "../desk/member.ts";
import { Pop } from "../ui/Pop.tsx";
import { SignOut } from "./SignOut.tsx";
import { UnsentCount } from "./UnsentCount.tsx";
import { useNeedsHand } from "./useNeedsHand.ts";
import { useTheme } from "./useTheme.ts";

const PLACES = [
  { to: "/", label: "Today", Icon: CalendarDays },
  { to: "/vehicles", label: "Vehicles", Icon: Car },
  { to: "/watch", label: "Watch", Icon: Droplets },
  { to: "/shelf", label: "Shelf", Icon: Package },
] as const;
/** Where the bar has no room for them, they stand behind More. */
const BENCH = { to: "/bench", label: "Bench", Icon: Gauge } as const;
const SHOP = { to: "/shop", label: "Shop", Icon: Store } as const;

const CELL =
  "flex min-h-14 min-w-12 flex-1 flex-col items-center justify-center gap-1 px-1 py-2 text-sm leading-tight max-[22rem]:min-w-11 max-[22rem]:px-0 max-[22rem]:text-xs rail:min-w-14 rail:flex-none";
const ICON = { size: 22, strokeWidth: 1.8, "aria-hidden": true } as const;

/** How things look and who is here: on the rail where it is tall, behind one button where it is a bar. */
function Ways({ onDone }: { onDone: () => void }) {
  const { units, name } = useMember();
  const { isDim, toggle } = useTheme();
  const preferences = useFetcher();
  const unitWords = units === "metric" ? "°C · L" : "°F · qt";
  const choose = (choice: Record<string, string>) =>
    void preferences.submit(choice, { method: "post", action: "/preferences" });
  const row = (act: () => void, children: ReactNode, label?: string) => (
    <button
      type="button"
      aria-label={label}
      className={`${CELL} text-ink-2`}
      onClick={() => {
        onDone();
        act();
      }}
    >
      {children}
    </button>
  );
  return (
    <>
      {row(
        () => choose({ units: units === "metric" ? "us" : "metric" }),
        <>
          <Ruler {...ICON} />
          {unitWords}
        </>,
        `${unitWords}: change units`,
      )}
      {row(
        toggle,
        <>
          {isDim ? <Sun {...ICON} /> : <Moon {...ICON} />}
          {isDim ? "Daylight" : "Dim bay"}
        </>,
      )}
      {row(
        () => window.dispatchEvent(new Event("show-keys")),
        <>
          <CircleHelp {...ICON} />
          Keys
        </>,
      )}
      <SignOut className={`${CELL} text-ink-2`} label={`${name.split(" ")[0]}: sign out`}>
        <LogOut {...ICON} />
        {name.split(" ")[0]}
      </SignOut>
    </>
  );
}

const placeLook = ({ isActive }: { isActive: boolean }) =>
  `${CELL} ${isActive ? "border-ink border-t-4 font-bold rail:border-t-0 rail:border-l-4" : "text-ink-2"}`;

/** What is mine now; while somebody is beside one car it names another that needs their hand. */
function MinePlace() {
  const car = useNeedsHand();
  return (
    <NavLink
      to="/mine"
      className={placeLook}
      aria-label={car ? `Mine: ${car.plate} needs a hand` : undefined}
    >
      <Hand {...ICON} size={24} fill={car ? "currentColor" : "none"} />
      {car ? <b className="figure text-ink">{/\S+$/.exec(car.plate)?.[0]}</b> : "Mine"}
    </NavLink>
  );
}

/** The slim rail: the places, then how things look, who is here and what isn't sent. A bar at the foot where it is low or narrow. */
export const Rail = memo(function Rail() {
  const [isOpen, setOpen] = useState(false);
  return (
    <nav
      aria-label="Places"
      className="tall:sticky bottom-0 z-30 flex print:hidden shrink-0 border-rule border-t bg-paper rail:top-0 rail:h-dvh rail:w-[84px] rail:flex-col rail:overflow-y-auto rail:border-t-0 rail:border-r"
    >
      <MinePlace />
      {PLACES.map(({ to, label, Icon }) => (
        <NavLink key={to} to={to} end={to === "/"} className={placeLook}>
          <Icon {...ICON} size={24} />
          {label}
        </NavLink>
      ))}
      <NavLink to={BENCH.to} className={(state) => `${placeLook(state)} hidden rail:flex`}>
        <BENCH.Icon {...ICON} size={24} />
        {BENCH.label}
      </NavLink>
      <NavLink to={SHOP.to} className={(state) => `${placeLook(state)} max-[22rem]:hidden`}>
        <SHOP.Icon {...ICON} size={24} />
        {SHOP.label}
      </NavLink>
      <div className="hidden flex-1 rail:block" />
      <UnsentCount />
      <div className="hidden flex-col rail:flex">
        <Ways onDone={() => undefined} />
      </div>
      <Pop
        trigger={{
          className: `${CELL} text-ink-2 rail:hidden`,
          children: (
            <>
              <Ellipsis {...ICON} size={24} />
              More
            </>
          ),
        }}
        label="More: bench, units, theme, keys, sign out"
        side="top"
        align="end"
        className="z-50 grid max-h-[90dvh] w-64 max-w-[94vw] grid-cols-2 gap-2 max-[22rem]:w-72 max-[22rem]:grid-cols-3 overflow-auto rounded-md border-2 border-ink bg-sheet p-3"
        isOpen={isOpen}
        onOpenChange={setOpen}
      >
        <NavLink to={BENCH.to} onClick={() => setOpen(false)} className={`${CELL} text-ink-2`}>
          <BENCH.Icon {...ICON} size={24} />
          {BENCH.label}
        </NavLink>
        <NavLink
          to={SHOP.to}
          onClick={() => setOpen(false)}
          className={`${CELL} hidden text-ink-2 max-[22rem]:flex`}
        >
          <SHOP.Icon {...ICON} size={24} />
          {SHOP.label}
        </NavLink>
        <Ways onDone={() => setOpen(false)} />
      </Pop>
    </nav>
  );
});
