import { format } from "../../core/kernel/units/index.ts";
import type { BenchRun } from "../../core/trade/bench/index.ts";
import { HOTTEST_SOUND_C } from "../../core/trade/limits/index.ts";
import { useMember } from "../desk/member.ts";
import { Announced } from "../ui/Announced.tsx";

/** What has just become of it, in words, and said to whoever doesn't see the drawing. */
export function BoilWords({ bench }: { bench: BenchRun }) {
  const { units } = useMember();
  const { blockC, stages, lift, litres } = bench.state();
  const isBoiling = blockC >= bench.boilsC;
  const isBad = isBoiling || blockC > HOTTEST_SOUND_C;
  const words = [
    isBoiling
      ? `It boils: ${format(blockC, "temperature", units)}.`
      : bench.hasBoiled
        ? "It has boiled."
        : blockC > HOTTEST_SOUND_C
          ? `Hotter than an engine should be; it boils at ${format(bench.boilsC, "temperature", units)}.`
          : `It would boil at ${format(bench.boilsC, "temperature", units)}.`,
    lift > 0.9 ? "Thermostat open." : lift > 0.03 ? "Thermostat opening." : "Thermostat shut.",
    stages === 0 ? "Fan still." : stages === 1 ? "Fan runs." : `Fan runs, stage ${stages}.`,
    bench.isOver ? "Eight hours are over." : "",
  ]
    .filter((each) => each !== "")
    .join(" ");
  return (
    <p className={`basis-full ${isBad ? "border-ink border-l-[6px] pl-3 font-bold" : "text-ink-2"}`}>
      {words} {litres < 0.3 ? "Hardly any coolant is left in it." : ""}
      <Announced words={words} of={words.replaceAll(/-?\d+/g, "")} />
    </p>
  );
}
