import { SHOWN, toShown } from "../../core/kernel/units/index.ts";
import type { CoolingCard } from "../../core/trade/car/index.ts";
import { KINDS } from "../../core/trade/coolant/index.ts";
import { CIRCUIT_KINDS } from "../../core/trade/diagnosis/knowledge/index.ts";
import { useMember } from "../desk/member.ts";
import { Choice, TextField } from "../ui/Field.tsx";
import { CIRCUITS } from "../vehicle/CardSheet.tsx";
import { OIL_COOLERS } from "./vehicle.form.ts";

/** So many that a card opened and written again says the same, whatever the units. */
const DIGITS = 7;

/** A cooling card's fields, empty or with what the card says. */
export function CardFields({ fields, card }: { fields: Record<string, string>; card?: CoolingCard | null }) {
  const { units } = useMember();
  const unit = (dimension: keyof typeof SHOWN) => SHOWN[dimension][units].label;
  const shown = (figure: number | undefined, dimension: keyof typeof SHOWN) =>
    figure === undefined ? undefined : String(Number(toShown(figure, dimension, units).toPrecision(DIGITS)));
  return (
    <fieldset className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
      <legend className="mb-3 border-ink border-b-2 font-bold text-xl">
        Its cooling card, by the maker's book
      </legend>
      <TextField
        label="Holds"
        name="capacity"
        defaultValue={shown(card?.capacityL, "volume")}
        required
        inputMode="decimal"
        unit={unit("volume")}
        error={fields.capacity}
      />
      <Choice
        label="Coolant kind"
        name="coolantKind"
        defaultValue={card?.coolantKind ?? ""}
        required
        hint="By the maker's approval, never by colour"
        error={fields.coolantKind}
      >
        <option value="" disabled>
          choose
        </option>
        {KINDS.map((kind) => (
          <option key={kind}>{kind}</option>
        ))}
      </Choice>
      <TextField
        label="Product"
        name="coolantProduct"
        defaultValue={card?.coolantProduct}
        maxLength={80}
        error={fields.coolantProduct}
      />
      <TextField
        label="Approval it asks for"
        name="coolantApproval"
        defaultValue={card?.coolantApproval}
        maxLength={80}
        error={fields.coolantApproval}
      />
      <TextField
        label="Strength"
        name="strength"
        required
        inputMode="decimal"
        defaultValue={card ? `${Number((card.targetFraction * 100).toPrecision(DIGITS))} %` : "50 %"}
        error={fields.strength}
      />
      <TextField
        label="Cap opens at"
        name="cap"
        defaultValue={shown(card?.capGaugeKpa, "pressure")}
        required
        inputMode="decimal"
        unit={`${unit("pressure")} gauge`}
        error={fields.cap}
      />
      <TextField
        label="Thermostat opens"
        name="thermostatOpens"
        defaultValue={shown(card?.thermostatOpensC, "temperature")}
        required
        inputMode="decimal"
        unit={unit("temperature")}
        error={fields.thermostatOpens}
      />
      <Choice label="Fan circuit" name="circuit" defaultValue={card?.circuit ?? ""} error={fields.circuit}>
        <option value="">not known yet</option>
        {CIRCUIT_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {CIRCUITS[kind]}
          </option>
        ))}
      </Choice>
      <TextField
        label="Fan starts"
        name="lowOn"
        defaultValue={shown(card?.fanOnC[0], "temperature")}
        inputMode="decimal"
        unit={unit("temperature")}
        hint="The low stage, if there are two"
        error={fields.lowOn}
      />
      <TextField
        label="Fan stops"
        name="lowOff"
        defaultValue={shown(card?.fanOffC[0], "temperature")}
        inputMode="decimal"
        unit={unit("temperature")}
        error={fields.lowOff}
      />
      <Choice
        label="Fan switch or sensor at"
        name="fanSenses"
        defaultValue={card?.fanSenses ?? "engine"}
        error={fields.fanSenses}
      >
        <option value="engine">engine outlet</option>
        <option value="radiator">radiator</option>
      </Choice>
      <TextField
        label="High stage starts"
        name="highOn"
        defaultValue={shown(card?.fanOnC[1], "temperature")}
        inputMode="decimal"
        unit={unit("temperature")}
        error={fields.highOn}
      />
      <TextField
        label="High stage stops"
        name="highOff"
        defaultValue={shown(card?.fanOffC[1], "temperature")}
        inputMode="decimal"
        unit={unit("temperature")}
        error={fields.highOff}
      />
      <TextField
        label="Filled at"
        name="fillPoint"
        defaultValue={card?.fillPoint}
        maxLength={120}
        error={fields.fillPoint}
      />
      <TextField
        label="Bled at"
        name="bleedPoints"
        defaultValue={card?.bleedPoints}
        maxLength={120}
        error={fields.bleedPoints}
      />
      <Choice
        label="Oil cooler"
        name="oilCooler"
        defaultValue={card?.oilCooler ?? "none"}
        error={fields.oilCooler}
      >
        {OIL_COOLERS.map((kind) => (
          <option key={kind}>{kind}</option>
        ))}
      </Choice>
      <div className="sm:col-span-2">
        <TextField
          label="Coolant sensor's curve"
          name="sensorCurve"
          defaultValue={card?.sensorCurve.map(({ celsius, ohms }) => `${celsius}: ${ohms}`).join("; ")}
          maxLength={300}
          className="figure"
          placeholder="20: 2500; 80: 320; 100: 180"
          hint="°C and ohms, off the maker's table; leave it open if nobody knows it"
          error={fields.sensorCurve}
        />
      </div>
    </fieldset>
  );
}
