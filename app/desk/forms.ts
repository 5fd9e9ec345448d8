import "reflect-metadata";
import { type ClassConstructor, plainToInstance } from "class-transformer";
import { getMetadataStorage, type ValidationError, validateSync } from "class-validator";
import { unwritable } from "../../core/kernel/text/index.ts";

export type Checked<Form> =
  | { value: Form; fields?: undefined }
  | { value?: undefined; fields: Record<string, string> };

const UNKNOWN = "whitelistValidation";

function collect(errors: readonly ValidationError[], path: string, fields: Record<string, string>): void {
  for (const { property, constraints, children } of errors) {
    const name = path ? `${path}.${property}` : property;
    const unknown = constraints?.[UNKNOWN] && "There is no such field.";
    const said = unknown || Object.values(constraints ?? {})[0];
    if (said) fields[name] = said;
    collect(children ?? [], name, fields);
  }
}

const plain = (input: unknown) =>
  input instanceof FormData
    ? Object.fromEntries([...input].filter(([, value]) => typeof value === "string"))
    : input;

const namesByForm = new WeakMap<object, ReadonlySet<string>>();

/** The fields that a form class checks; nothing else reaches the transformer, whose time grows with what it is given. */
function namesOf(form: ClassConstructor<object>): ReadonlySet<string> {
  const known = namesByForm.get(form);
  if (known) return known;
  const checks = getMetadataStorage().getTargetValidationMetadatas(form, "", false, false);
  const names = new Set(checks.map(({ propertyName }) => propertyName));
  namesByForm.set(form, names);
  return names;
}

/**
 * Puts what was sent through its form class, on either side: unknown fields are refused, every field says what would be
 * right. Answers with the clean value or with a message a field.
 */
export function checkForm<Form extends object>(form: ClassConstructor<Form>, input: unknown): Checked<Form> {
  const given = plain(input);
  if (!given || typeof given !== "object" || Array.isArray(given))
    return { fields: { form: "Nothing readable was sent." } };
  const names = namesOf(form);
  const strange = Object.keys(given).find((name) => !names.has(name));
  if (strange !== undefined) return { fields: { [strange.slice(0, 40)]: "There is no such field." } };
  const letters = unwritable(given);
  if (letters) return { fields: { form: letters } };
  const value = plainToInstance(form, given, { exposeUnsetFields: false });
  const fields: Record<string, string> = {};
  collect(
    validateSync(value, {
      whitelist: true,
      forbidNonWhitelisted: true,
      forbidUnknownValues: true,
      stopAtFirstError: true,
    }),
    "",
    fields,
  );
  return Object.keys(fields).length > 0 ? { fields } : { value };
}
