import { Check } from "lucide-react";
import { ToggleGroup } from "radix-ui";

const CHIP =
  "group relative min-h-12 rounded-md border-2 border-edge bg-sheet px-4 font-medium data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-paper disabled:cursor-not-allowed disabled:border-dashed";

/** Chosen is told by a tick too, not by colour alone; it stands in the corner, where it moves nothing. */
const Chosen = () => (
  <Check
    size={14}
    strokeWidth={3}
    aria-hidden="true"
    className="absolute top-0.5 right-0.5 hidden group-data-[state=on]:block"
  />
);

interface Given {
  label: string;
  options: readonly string[];
  /** What stands on each; the option itself where it has no words of its own. */
  words?: Readonly<Record<string, string>>;
}

/** Several of a few: each is a yes or no of its own, and a stop of its own for Tab. */
export function ChipsMany({
  label,
  options,
  words = {},
  value,
  onChange,
}: Given & { value: readonly string[]; onChange: (value: string[]) => void }) {
  return (
    <ToggleGroup.Root
      type="multiple"
      role="group"
      rovingFocus={false}
      aria-label={label}
      value={[...value]}
      onValueChange={onChange}
      className="flex flex-wrap gap-2"
    >
      {options.map((option) => (
        <ToggleGroup.Item key={option} value={option} className={CHIP}>
          {words[option] ?? option}
          <Chosen />
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

/** One of a few, or none yet. Where many such rows stand below each other, each chip is named with its row. */
export function ChipsOne({
  label,
  options,
  words = {},
  value,
  isNamedWhole = false,
  isOff = false,
  onChange,
}: Given & { value: string; isNamedWhole?: boolean; isOff?: boolean; onChange: (value: string) => void }) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      disabled={isOff}
      value={value}
      onValueChange={onChange}
      className="flex flex-wrap gap-2"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option}
          value={option}
          className={CHIP}
          aria-label={isNamedWhole ? `${label}: ${words[option] ?? option}` : undefined}
        >
          {words[option] ?? option}
          <Chosen />
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
