import { Tabs } from "radix-ui";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { useLocation } from "react-router";
import { useDraft } from "./useDraft.ts";

export type Tool = [id: string, name: string, tool: ReactNode];

export interface Given {
  label: string;
  tools: readonly Tool[];
  /** Which is open before somebody opens one; the first in the row where nothing is said. */
  first?: string;
  /** Asked for by the address in a way of its own: opened as if it had been chosen. */
  asked?: string | undefined;
}

/** So much of the name before it is seen: there are more that way. */
const BEFORE_PX = 40;

/**
 * Several things to do on one surface, one shown at a time: opened by its name, by arrows, or by a link that ends in `#` and its id.
 * Which one was open is remembered for what it is `of`.
 */
export function Tools({ of, label, tools, first, asked: wanted }: Given & { of: string }) {
  const { hash } = useLocation();
  const [chosen, setChosen] = useDraft<string | undefined>(`tool:${of}:${label}`, undefined);
  // What is first as the page comes stays so: nothing is changed under somebody's hands.
  const [begins] = useState(first);
  const ids = tools.map(([id]) => id);
  const asked = wanted ?? ids.find((id) => `#${id}` === hash);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each link that is followed
  useEffect(() => {
    if (asked) setChosen(asked);
  }, [asked]);
  const open = ids.find((id) => id === chosen) ?? ids.find((id) => id === begins) ?? ids[0];
  // On a phone they are one row that is moved aside: what is open is in sight in it.
  const row = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at when another is open
  useEffect(() => {
    const name = row.current?.querySelector<HTMLElement>('[data-state="active"]');
    if (row.current && name) row.current.scrollLeft = name.offsetLeft - row.current.offsetLeft - BEFORE_PX;
  }, [open]);
  return (
    <Tabs.Root value={open} onValueChange={setChosen}>
      <Tabs.List
        ref={row}
        aria-label={label}
        className="flex flex-wrap gap-x-1 border-ink border-b-2 max-sm:flex-nowrap max-sm:overflow-x-auto"
      >
        {tools.map(([id, name]) => (
          <Tabs.Trigger
            key={id}
            value={id}
            className="min-h-12 shrink-0 px-3 data-[state=active]:bg-ink data-[state=active]:font-bold data-[state=active]:text-paper"
          >
            {name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {tools.map(([id, , tool]) => (
        <Tabs.Content key={id} value={id} className="pt-4">
          {tool}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
