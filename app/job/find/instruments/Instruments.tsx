import { Tabs } from "radix-ui";
import { type ComponentType, memo } from "react";
import { later } from "../../../ui/later.ts";
import type { KnownFind } from "../belief/useFind.ts";
import { ColdSoak } from "./ColdSoak.tsx";
import { Drop } from "./Drop.tsx";
import { Duty } from "./Duty.tsx";
import { FuseAndJumper } from "./FuseAndJumper.tsx";
import { Pot } from "./Pot.tsx";
import { Stamp } from "./Stamp.tsx";

const sensorInstrument = later(() => import("./Sensor.tsx"));

/** Draws its curve with a library that no other instrument wants. */
function Sensor({ find }: { find: KnownFind }) {
  const Part = sensorInstrument.use()?.Sensor;
  return Part ? <Part find={find} /> : null;
}

const INSTRUMENTS: { id: string; name: string; Part: ComponentType<{ find: KnownFind }> }[] = [
  { id: "stamp", name: "Switch stamp", Part: Stamp },
  { id: "pot", name: "Pot test", Part: Pot },
  { id: "sensor", name: "Sensor ohms", Part: Sensor },
  { id: "drop", name: "Voltage drop", Part: Drop },
  { id: "fuse", name: "Fuse and jumper", Part: FuseAndJumper },
  { id: "duty", name: "Duty", Part: Duty },
  { id: "soak", name: "Cold soak", Part: ColdSoak },
];

/** Small calculators, each of which books its result as evidence with one tap. */
export const Instruments = memo(function Instruments({ find }: { find: KnownFind }) {
  return (
    <section aria-labelledby="instruments">
      <h3 id="instruments" className="mb-2 text-xl">
        Instruments
      </h3>
      <Tabs.Root defaultValue="stamp">
        <Tabs.List aria-label="Instruments" className="flex flex-wrap gap-x-1 border-ink border-b-2">
          {INSTRUMENTS.map(({ id, name }) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className="min-h-12 px-2 data-[state=active]:bg-ink data-[state=active]:font-bold data-[state=active]:text-paper"
            >
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {INSTRUMENTS.map(({ id, Part }) => (
          <Tabs.Content key={id} value={id} className="pt-4">
            <Part find={find} />
          </Tabs.Content>
        ))}
      </Tabs.Root>
    </section>
  );
});
