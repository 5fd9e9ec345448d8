import { formatBothTemperatures } from "../../../../core/kernel/units/index.ts";
import type { Judgement } from "../../../../core/kernel/verdict/index.ts";
import { readSwitchStamp } from "../../../../core/trade/diagnosis/index.ts";
import { TextField } from "../../../ui/Field.tsx";
import { Instrument, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import { useJob } from "../../stage/context.ts";
import type { KnownFind } from "../belief/useFind.ts";
import { useReading } from "./useReading.ts";

/** 3 to 5 °C is how switches are made; beyond it the stamp names another switch. */
const SAME_RATING_C = 5;

export function Stamp({ find }: { find: KnownFind }) {
  const { page, system } = useJob();
  const reading = useReading(find);
  const { fields, put, clear } = useFields("stamp", { text: "" });
  const { text } = fields;
  const card = page.card;
  const outcome = worked(text.trim() !== "", (): Judgement & { matches?: boolean } => {
    const { stages, assumed } = readSwitchStamp(text);
    const said = stages
      .map(
        ({ onC, offC }) =>
          `on ${formatBothTemperatures(onC, system)}${offC === undefined ? "" : `, off ${formatBothTemperatures(offC, system)}`}`,
      )
      .join("; ");
    const taken = assumed.length > 0 ? ` Taken for granted: ${assumed.join("; ")}.` : "";
    if (!card || card.fanOnC.length === 0)
      return {
        verdict: "not-seen",
        because: `Stamped ${said}. The card doesn't say where the fan starts.${taken}`,
      };
    const matches =
      stages.length === card.fanOnC.length &&
      stages.every(({ onC }, index) => Math.abs(onC - (card.fanOnC[index] ?? 0)) <= SAME_RATING_C);
    const wanted = card.fanOnC.map((celsius) => formatBothTemperatures(celsius, system)).join(" and ");
    return {
      verdict: matches ? "pass" : "fail",
      matches,
      because: `Stamped ${said}; the card wants ${wanted}${matches ? "" : ": another rating"}.${taken}`,
    };
  });
  const result = outcome && "result" in outcome ? outcome.result : undefined;
  return (
    <Instrument
      outcome={outcome}
      isBookable={find.mayBook}
      onClear={clear}
      onBook={() =>
        result &&
        reading(
          "stamp",
          result.matches === undefined ? undefined : result.matches ? "matches" : "other",
          result,
          "Switch's stamp",
        )
      }
    >
      <div className="w-72">
        <TextField
          label="As stamped"
          value={text}
          maxLength={60}
          placeholder="94/86 101/92"
          className="figure"
          onChange={(event) => put("text")(event.target.value)}
        />
      </div>
    </Instrument>
  );
}
