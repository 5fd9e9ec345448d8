import { buildMessage, ValidateBy, type ValidationOptions } from "class-validator";
import { isDay } from "../../kernel/days/index.ts";

/** A day without a time of day. */
export const IsDay = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy(
    {
      name: "isDay",
      validator: {
        validate: isDay,
        defaultMessage: buildMessage((each) => `${each}$property must be a day`, options),
      },
    },
    options,
  );
