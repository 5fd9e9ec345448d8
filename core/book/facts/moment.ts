import { buildMessage, ValidateBy, type ValidationOptions } from "class-validator";

const WRITTEN =
  /^(\d{4})-(\d{2})-(\d{2})T(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d(?:\.\d{1,9})?)?(?:Z|[+-](?:[01]\d|2[0-3]):[0-5]\d)$/;
const EARLIEST_YEAR = 2000;
const LATEST_YEAR = 2200;

/** True for a date and time as ISO 8601 writes it in full, with its zone, that is a real one from 2000 to 2200. */
export function isMoment(value: unknown): value is string {
  if (typeof value !== "string" || value.length > 40) return false;
  const [, year, month, day] = WRITTEN.exec(value) ?? [];
  if (!year || Number(year) < EARLIEST_YEAR || Number(year) > LATEST_YEAR) return false;
  if (!Number.isFinite(Date.parse(value))) return false;
  const date = new Date(Date.UTC(Number(year), Number(month) - 1, Number(day)));
  return date.getUTCMonth() === Number(month) - 1 && date.getUTCDate() === Number(day);
}

/** A whole moment: no bare date, no date that is none. */
export const IsMoment = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy(
    {
      name: "isMoment",
      validator: {
        validate: isMoment,
        defaultMessage: buildMessage((each) => `${each}$property must be a date and time in full`, options),
      },
    },
    options,
  );
