import { Tabs } from "radix-ui";
import type { ReactNode } from "react";

export type Tool = [id: string, name: string, tool: ReactNode];

/** Several things to do on one surface, one shown at a time. */
export function ToolTabs({ label, tools }: { label: string; tools: readonly Tool[] }) {
  return (
    <Tabs.Root defaultValue={tools[0]?.[0]}>
      <Tabs.List aria-label={label} className="flex flex-wrap gap-x-1 border-ink border-b-2">
        {tools.map(([id, name]) => (
          <Tabs.Trigger
            key={id}
            value={id}
            className="min-h-12 px-3 data-[state=active]:bg-ink data-[state=active]:font-bold data-[state=active]:text-paper"
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
