import type { Judgement } from "../../../../core/kernel/verdict/index.ts";
import { type DutySense, dutyMeaning } from "../../../../core/trade/electrics/index.ts";
import { ChipsOne } from "../../../ui/Chips.tsx";
import { FigureField, figure, Instrument, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import type { KnownFind } from "../belief/useFind.ts";
import { useReading } from "./useReading.ts";

const SENSES: Record<string, DutySense> = { "ground commands": "ground", "plus commands": "plus" };
const FEEDS = { "both there": true, "one missing": false } as const;

export function Duty({ find }: { find: KnownFind }) {
  const reading = useReading(find);
  const { fields, put, clear } = useFields("duty", { percent: "", sense: "ground commands", feed: "" });
  const { percent, sense, feed } = fields;
  const outcome = worked(percent.trim() !== "", (): Judgement & { told?: string } => {
    const meaning = dutyMeaning(figure(percent), SENSES[sense] ?? "ground");
    const asks = meaning.state === "part" || meaning.state === "full";
    if (feed === "one missing")
      return {
        verdict: "fail",
        told: "no-feed",
        because: `Feed or ground is missing at the module. ${meaning.because}`,
      };
    if (meaning.state === "no-signal" || meaning.state === "emergency")
      return { verdict: "fail", told: "no-duty", because: meaning.because };
    if (!asks || feed === "")
      return {
        verdict: "not-seen",
        because: `${meaning.because} ${asks ? "Look at feed and ground too." : "Ask for the fan, then measure again."}`,
      };
    return { verdict: "pass", told: "all", because: `${meaning.because} Feed and ground are there.` };
  });
  const result = outcome && "result" in outcome ? outcome.result : undefined;
  return (
    <Instrument
      outcome={outcome}
      isBookable={find.mayBook}
      onClear={clear}
      onBook={() => result && reading("duty", result.told, result, "Duty at the module")}
    >
      <FigureField label="Duty, as the meter" unit="%" value={percent} onChange={put("percent")} />
      <div className="flex flex-col gap-1">
        <span className="font-bold">Which part commands</span>
        <ChipsOne
          label="Which part commands"
          options={Object.keys(SENSES)}
          value={sense}
          onChange={(value) => value && put("sense")(value)}
        />
      </div>
      <div className="flex flex-col gap-1">
        <span className="font-bold">Feed and ground under load</span>
        <ChipsOne
          label="Feed and ground under load"
          options={Object.keys(FEEDS)}
          value={feed}
          onChange={put("feed")}
        />
      </div>
    </Instrument>
  );
}
