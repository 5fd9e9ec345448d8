import { Tabs } from "radix-ui";
import { type ReactNode, useEffect } from "react";
import { useLocation } from "react-router";
import { useDraft } from "../../drafts/useDraft.ts";
import { useJob } from "./context.ts";

export type Tool = [id: string, name: string, tool: ReactNode];

/**
 * Several things to do on one surface, one shown at a time: opened by its name, by arrows, or by a link that ends in `#` and its id.
 * Which one was open is remembered for the job.
 */
export function ToolTabs({ label, tools }: { label: string; tools: readonly Tool[] }) {
  const { page } = useJob();
  const { hash } = useLocation();
  const [chosen, setChosen] = useDraft<string | undefined>(`tool:${page.job.id}:${label}`, undefined);
  const ids = tools.map(([id]) => id);
  const asked = ids.find((id) => `#${id}` === hash);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each link that is followed
  useEffect(() => {
    if (asked) setChosen(asked);
  }, [asked]);
  const open = ids.find((id) => id === chosen) ?? ids[0];
  return (
    <Tabs.Root value={open} onValueChange={setChosen}>
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
