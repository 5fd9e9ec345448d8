import { registerDecorator } from "class-validator";
import { Reads } from "../../core/kernel/plain/index.ts";
import { type Dimension, format, readShown, type System } from "../../core/kernel/units/index.ts";
import { readDistance } from "../../core/trade/car/index.ts";

function read(value: unknown, dimension: Dimension, system: System): number | undefined {
  if (typeof value === "number") return value;
  const text = String(value ?? "").trim();
  if (text === "") return undefined;
  // 184,220 is never 184 km.
  const figure = dimension === "distance" ? readDistance(text, system) : readShown(text, dimension, system);
  return figure ?? Number.NaN;
}

/**
 * A field that takes a figure with or without a unit and holds it in core units, from `least` to `most`. A bare figure
 * is in the unit of the system that the form names in its field `system`. `says` is told behind the range.
 */
export function Quantity(
  dimension: Dimension,
  least: number,
  most: number,
  { optional = false, says = "" }: { optional?: boolean; says?: string } = {},
): PropertyDecorator {
  return (target, property) => {
    Reads((value, obj) => read(value, dimension, obj.system === "us" ? "us" : "metric"))(
      target,
      property as string,
    );
    registerDecorator({
      name: "quantity",
      target: target.constructor,
      propertyName: property as string,
      validator: {
        validate: (value: unknown) =>
          value === undefined ? optional : typeof value === "number" && value >= least && value <= most,
        defaultMessage: ({ object } = { object: {} } as never) => {
          const system = (object as { system?: string }).system === "us" ? "us" : "metric";
          return `A figure from ${format(least, dimension, system)} to ${format(most, dimension, system)}${optional ? ", or nothing" : ""}.${says && ` ${says}`}`;
        },
      },
    });
  };
}
