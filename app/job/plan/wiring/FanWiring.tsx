import { FAN_TRIGGERS, type FanTrigger, fanWiring } from "../../../../core/trade/electrics/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { ChipsMany, ChipsOne } from "../../../ui/Chips.tsx";
import { FigureField, figure, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import { useJob } from "../../stage/context.ts";
import { WireTicks } from "./WireTicks.tsx";
import { WiringSheet } from "./WiringSheet.tsx";

const UNITS = ["bare motor", "self-contained"] as const;
const TRIGGER_NAMES: Record<FanTrigger, string> = {
  switch: "thermal switch",
  computer: "engine computer",
  "air-con": "air conditioning",
  manual: "by hand",
};
const EMPTY = {
  unit: "bare motor",
  volts: "12 V",
  amps: "",
  start: "",
  lead: "",
  triggers: ["switch"] as string[],
};

/** How a new fan is wired, wire by wire. */
export function FanWiringPart() {
  const { book, mayBook } = useJob();
  const { fields, put, clear } = useFields("wiring", EMPTY);
  const { unit, volts, amps, start, lead, triggers } = fields;
  const isOwn = unit === "self-contained";
  const offered = FAN_TRIGGERS.filter((each) => !isOwn || each === "air-con" || each === "manual");
  const outcome = worked(amps.trim() !== "" && lead.trim() !== "", () =>
    fanWiring({
      motorAmps: figure(amps),
      ...(start.trim() ? { startAmps: figure(start) } : {}),
      leadM: figure(lead),
      supply: { volts: Number.parseInt(volts, 10), unit: isOwn ? "self-contained" : "bare motor" },
      triggers: offered.filter((each) => triggers.includes(each)),
    }),
  );
  const wiring = outcome && "result" in outcome ? outcome.result : undefined;
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <ChipsOne
          label="Kind of fan"
          options={UNITS}
          value={unit}
          onChange={(name) => name && put("unit")(name)}
        />
        <ChipsOne
          label="Supply"
          options={["12 V", "24 V"]}
          value={volts}
          onChange={(name) => name && put("volts")(name)}
        />
      </div>
      <div className="flex flex-wrap items-start gap-4">
        <FigureField label="Motor draws" unit="A" value={amps} onChange={put("amps")} />
        <FigureField label="At its start, if known" unit="A" value={start} onChange={put("start")} />
        <FigureField label="Lead, one way" unit="m" value={lead} onChange={put("lead")} />
      </div>
      <div className="flex flex-col gap-1">
        <p className="font-bold">{isOwn ? "What runs it besides its own thermostat" : "What starts it"}</p>
        <ChipsMany
          label="What starts it"
          options={offered.map((each) => TRIGGER_NAMES[each])}
          value={offered.filter((each) => triggers.includes(each)).map((each) => TRIGGER_NAMES[each])}
          onChange={(names) => put("triggers")(offered.filter((each) => names.includes(TRIGGER_NAMES[each])))}
        />
      </div>
      <div aria-live="polite">
        {outcome === undefined && (
          <p className="text-ink-2">Its draw and its lead; the wiring shows at once.</p>
        )}
        {outcome && "trouble" in outcome && (
          <p className="border-ink border-l-4 pl-3 font-bold">{outcome.trouble}</p>
        )}
      </div>
      {wiring && <WiringSheet wiring={wiring} />}
      {wiring && <WireTicks wiring={wiring} />}
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={!mayBook || !wiring}
          onClick={() =>
            wiring &&
            book({
              kind: "note",
              text: `Fan wiring: ${unit}, fuse ${wiring.fuseA} A, ${wiring.section.mm2} mm², ${wiring.relay ? `relay ${wiring.relayA} A` : "no relay of our own"}. ${wiring.wires.map(({ from, to }) => `${from} to ${to}`).join("; ")}.`.slice(
                0,
                1900,
              ),
            })
          }
        >
          Book it
        </Button>
        <Button onClick={() => window.print()} disabled={!wiring}>
          Print the sheet
        </Button>
        <Button weight="quiet" onClick={clear}>
          Clear it
        </Button>
      </div>
    </div>
  );
}
