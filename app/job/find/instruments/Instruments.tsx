import { Tabs } from "radix-ui";
import type { ComponentType } from "react";
import type { KnownFind } from "../useFind.ts";
import { ColdSoak } from "./ColdSoak.tsx";
import { Drop } from "./Drop.tsx";
import { Duty } from "./Duty.tsx";
import { FuseAndJumper } from "./FuseAndJumper.tsx";
import { Pot } from "./Pot.tsx";
import { Sensor } from "./Sensor.tsx";
import { Stamp } from "./Stamp.tsx";

const INSTRUMENTS: Record<string, ComponentType<{ find: KnownFind }>> = {
  "Switch stamp": Stamp,
  "Pot test": Pot,
  "Sensor ohms": Sensor,
  "Voltage drop": Drop,
  "Fuse and jumper": FuseAndJumper,
  Duty,
  "Cold soak": ColdSoak,
};

/** Small calculators, each of which books its result as evidence with one tap. */
export function Instruments({ find }: { find: KnownFind }) {
  return (
    <section aria-labelledby="instruments">
      <h3 id="instruments" className="mb-2 text-xl">
        Instruments
      </h3>
      <Tabs.Root defaultValue="Switch stamp">
        <Tabs.List aria-label="Instruments" className="flex flex-wrap gap-x-1 border-ink border-b-2">
          {Object.keys(INSTRUMENTS).map((name) => (
            <Tabs.Trigger
              key={name}
              value={name}
              className="min-h-12 px-3 data-[state=active]:bg-ink data-[state=active]:font-bold data-[state=active]:text-paper"
            >
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {Object.entries(INSTRUMENTS).map(([name, Part]) => (
          <Tabs.Content key={name} value={name} className="pt-4">
            <Part find={find} />
          </Tabs.Content>
        ))}
      </Tabs.Root>
    </section>
  );
}
