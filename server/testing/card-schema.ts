import { CARD_FIELDS, CARD_NAMES, type CardField } from "../../core/trade/car/index.ts";

type Schema = Record<string, unknown>;

const POINT: Schema = {
  type: "object",
  additionalProperties: false,
  required: ["celsius", "ohms"],
  properties: { celsius: { type: "number" }, ohms: { type: "number" } },
};

function fieldSchema(field: CardField): Schema {
  const range = "least" in field ? { minimum: field.least, maximum: field.most } : {};
  switch (field.is) {
    case "figure":
      return field.open
        ? { anyOf: [{ type: "number", ...range }, { type: "null" }] }
        : { type: "number", ...range };
    case "stages":
      return {
        type: "array",
        maxItems: 2,
        items: field.open
          ? { anyOf: [{ type: "number", ...range }, { type: "null" }] }
          : { type: "number", ...range },
        description: "Low stage first.",
      };
    case "text":
      return { type: "string", maxLength: field.most };
    case "curve":
      return { type: "array", maxItems: field.mostPoints, items: POINT };
    case "choice":
      return field.open ? { anyOf: [{ enum: [...field.of] }, { type: "null" }] } : { enum: [...field.of] };
  }
}

/** A cooling card as a job file has it; null where its vehicle has none. */
export const cardSchema = (): Schema => ({
  anyOf: [
    {
      type: "object",
      additionalProperties: false,
      required: CARD_NAMES.filter((name) => CARD_FIELDS[name].older === undefined),
      properties: Object.fromEntries(CARD_NAMES.map((name) => [name, fieldSchema(CARD_FIELDS[name])])),
    },
    { type: "null" },
  ],
});
