import "reflect-metadata";
import { validationMetadatasToSchemas } from "class-validator-jsonschema";
import { FACTS, UNIT_RANGES, WrittenEntry } from "../../core/book/facts/index.ts";
import { CHECKS, FAILINGS } from "../../core/trade/trace/index.ts";

type Schema = Record<string, unknown>;

const LOG_CHECK: Schema = {
  type: "object",
  additionalProperties: false,
  required: ["verdict", "because"],
  properties: {
    verdict: { enum: ["pass", "fail", "not-seen"] },
    because: { type: "string" },
    measured: { type: "number" },
    expected: { type: "number" },
    failing: { enum: [...FAILINGS] },
    stagesSeen: { type: "integer", minimum: 0 },
  },
};

/** Checks of our own as JSON Schema says them. */
type Converters = NonNullable<
  NonNullable<Parameters<typeof validationMetadatasToSchemas>[0]>["additionalConverters"]
>;

const OWN: Converters = {
  isMoment: { type: "string", format: "date-time" },
  areLogChecks: {
    type: "object",
    additionalProperties: false,
    properties: Object.fromEntries(CHECKS.map((check) => [check, LOG_CHECK])),
  },
  isUuid: { type: "string", format: "uuid" },
};

/** The schemas of the classes that check what is written: each fact's fields, and an entry's. */
function classSchemas(): Record<string, Schema> {
  return validationMetadatasToSchemas({ additionalConverters: OWN, refPointerPrefix: "#/$defs/" }) as Record<
    string,
    Schema
  >;
}

/** A class's fields with those of the classes it extends. */
function wholeSchema(classes: Record<string, Schema>, kind: { name: string }) {
  const whole = { properties: {} as Schema, required: [] as string[] };
  for (let each = kind; each?.name; each = Object.getPrototypeOf(each)) {
    const { properties = {}, required = [] } = (classes[each.name] ?? {}) as Partial<typeof whole>;
    Object.assign(whole.properties, properties);
    whole.required.push(...required);
  }
  return whole;
}

/** `$defs` of the job's schema that are told by the classes in `core/book/facts`: one for each fact, one for an entry. */
export function entryDefinitions(): Record<string, Schema> {
  const classes = classSchemas();
  const facts = Object.fromEntries(
    FACTS.map((kind) => {
      const { properties, required } = wholeSchema(classes, kind);
      return [
        kind.fact,
        {
          type: "object",
          additionalProperties: false,
          required: ["fact", "v", ...required],
          properties: { fact: { const: kind.fact }, v: { const: kind.version }, ...properties },
        },
      ];
    }),
  );
  const entry = classes[WrittenEntry.name] as { properties: Schema; required: string[] };
  const names = FACTS.map(({ fact }) => fact);
  return {
    ...facts,
    entry: {
      type: "object",
      additionalProperties: false,
      required: [...entry.required, "jobId", "seq", "by"],
      properties: {
        ...entry.properties,
        jobId: { type: "string", format: "uuid" },
        seq: { type: "integer", minimum: 1 },
        by: { type: "string", format: "uuid" },
        unit: { enum: Object.keys(UNIT_RANGES) },
        data: {
          description:
            "What the entry says beyond its figures: one of the facts below, or one of a newer version, kept as written.",
          oneOf: [
            ...names.map((name) => ({ $ref: `#/$defs/${name}` })),
            {
              type: "object",
              required: ["fact", "v"],
              properties: {
                fact: { type: "string", not: { enum: names } },
                v: { type: "integer", minimum: 1 },
              },
            },
          ],
        },
      },
    },
  };
}
