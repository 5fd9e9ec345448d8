import { getMetadataStorage, type ValidationError, validateSync } from "class-validator";
import { unwritable } from "../text/index.ts";
import { asClass, isPlain, type Plain } from "./as-class.ts";

export type Checked<Form> =
  | { value: Form; fields?: undefined }
  | { value?: undefined; fields: Record<string, string> };

const UNKNOWN = "whitelistValidation";
const STRANGE = "There is no such field.";

function collect(errors: readonly ValidationError[], path: string, fields: Record<string, string>): void {
  for (const { property, constraints, children } of errors) {
    const name = path ? `${path}.${property}` : property;
    const unknown = constraints?.[UNKNOWN] && STRANGE;
    const said = unknown || Object.values(constraints ?? {})[0];
    if (said) fields[name] = said;
    collect(children ?? [], name, fields);
  }
}

const namesByForm = new WeakMap<object, ReadonlySet<string>>();

/** The fields that a class checks; nothing else is read, as the time for that grows with what is sent. */
function namesOf(form: new () => object): ReadonlySet<string> {
  const known = namesByForm.get(form);
  if (known) return known;
  const checks = getMetadataStorage().getTargetValidationMetadatas(form, "", false, false);
  const names = new Set(checks.map(({ propertyName }) => propertyName));
  namesByForm.set(form, names);
  return names;
}

/**
 * Plain data as an instance of a class, or what is wrong with it, a message a field. Fields that the class doesn't know are refused,
 * or left out with `mayHoldMore`, where a newer version may have written them.
 */
export function checkPlain<Form extends object>(
  form: new () => Form,
  given: unknown,
  { mayHoldMore = false } = {},
): Checked<Form> {
  if (!isPlain(given)) return { fields: { form: "Nothing readable was sent." } };
  const names = namesOf(form);
  const strange = mayHoldMore ? undefined : Object.keys(given).find((name) => !names.has(name));
  if (strange !== undefined) return { fields: { [strange.slice(0, 40)]: STRANGE } };
  const known: Plain = mayHoldMore
    ? Object.fromEntries(Object.entries(given).filter(([name]) => names.has(name)))
    : given;
  const letters = unwritable(known);
  if (letters) return { fields: { form: letters } };
  const value = asClass(form, known);
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
