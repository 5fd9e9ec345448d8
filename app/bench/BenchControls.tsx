import { type ReactNode, useState } from "react";
import { format } from "../../core/kernel/units/index.ts";
import { BENCH_CARS, benchCar, type Held } from "../../core/trade/bench/index.ts";
import { circuitOfCar } from "../../core/trade/practice/index.ts";
import { SCRIPTS, type ScriptName } from "../../core/trade/thermal/index.ts";
import { useMember } from "../desk/member.ts";
import { ChipsOne } from "../ui/Chips.tsx";
import { Choice } from "../ui/Field.tsx";
import { PutIn } from "./PutIn.tsx";
import { RunIt } from "./RunIt.tsx";
import { type BenchHere, putNow } from "./useBench.ts";

const SCRIPT = "script";
const AS_SCRIPT = { [SCRIPT]: "As the script" };
const RPM = ["0", "800", "1500", "2500", "3500"];
const RPM_WORDS = { ...AS_SCRIPT, "0": "Off", "800": "Idle" };
const AIR_C = ["-10", "10", "20", "30", "38"];
const HEATER_WORDS = { ...AS_SCRIPT, "0": "Off", "1": "Full" };

/** What stands on a chip for a figure that is held, or for none. */
const chipOf = (held: number | undefined) => (held === undefined ? SCRIPT : String(held));

/** What is on the bench, what it goes through, what is put into it and held. */
export function BenchControls({ here }: { here: BenchHere }) {
  const { bench, setup, change, anew } = here;
  const { units } = useMember();
  const { held } = putNow(setup);
  // Going through a list by keys must not throw away what has run: the next one is taken from cold.
  const [next, setNext] = useState<{ carKey?: string; script?: ScriptName }>({});
  const carKey = next.carKey ?? setup.carKey;
  const script = next.script ?? setup.script;
  const isOther = carKey !== setup.carKey || script !== setup.script;
  const choose = (given: typeof next) => {
    if (bench.atS === 0) return anew(given);
    setNext({ ...next, ...given });
  };
  const fromCold = () => {
    anew(next);
    setNext({});
  };
  const hold = (name: keyof Held, chip: string) => {
    // A chip that is tapped again lets go.
    const { [name]: _, ...rest } = held;
    change({ held: chip === SCRIPT || chip === "" ? rest : { ...rest, [name]: Number(chip) } });
  };
  const row = (name: "rpm" | "ambientC" | "heater", label: string, options: string[], words: object) => (
    <Row name={label}>
      <ChipsOne
        label={label}
        isNamedWhole
        options={[SCRIPT, ...options]}
        words={words as Record<string, string>}
        value={chipOf(held[name])}
        onChange={(chip) => hold(name, chip)}
      />
    </Row>
  );
  const airs = AIR_C.map((celsius) => [celsius, format(Number(celsius), "temperature", units)]);
  const { name, card } = benchCar(setup.carKey);
  return (
    <section aria-label="What is on the bench" className="flex flex-col gap-4">
      <div className="grid gap-3 sm:grid-cols-2 xl:grid-cols-1">
        <Choice label="Car" value={carKey} onChange={(event) => choose({ carKey: event.target.value })}>
          {BENCH_CARS.map((car) => (
            <option key={car.key} value={car.key}>
              {`${car.name}: ${circuitOfCar(car.key).name}`}
            </option>
          ))}
        </Choice>
        <Choice
          label="What it goes through"
          {...(isOther && { hint: `On the bench still: ${name}, ${setup.script}. From cold takes these.` })}
          value={script}
          onChange={(event) => choose({ script: event.target.value as ScriptName })}
        >
          {Object.keys(SCRIPTS).map((each) => (
            <option key={each}>{each}</option>
          ))}
        </Choice>
      </div>
      <RunIt here={here} onFromCold={fromCold} />
      <PutIn key={`${setup.carKey} ${setup.seed}`} here={here} />
      {row("rpm", "Revs", RPM, RPM_WORDS)}
      {row("ambientC", "Air", AIR_C, { ...AS_SCRIPT, ...Object.fromEntries(airs) })}
      {row("heater", "Heater", ["0", "1"], HEATER_WORDS)}
      <p className="text-ink-2 text-sm">
        {`${card.capacityL} L, cap ${card.capGaugeKpa} kPa. Figures beyond the card are a usual car's: good enough to recognise a fault by, not to design by. The car is made up.`}
      </p>
    </section>
  );
}

const Row = ({ name, children }: { name: string; children: ReactNode }) => (
  <div className="flex flex-col gap-1">
    <span className="font-bold" aria-hidden="true">
      {name}
    </span>
    {children}
  </div>
);
