import { buildMessage, ValidateBy, type ValidationOptions } from "class-validator";
import { NEVER_SHUT_C } from "../../trade/limits/index.ts";
import { CHECKS, type CheckName, FAILINGS, type Failing } from "../../trade/trace/index.ts";

/** A check of a log as the book keeps it: verdict, reason, the figures behind it, and how it failed where it did. */
export interface LogCheck {
  verdict: "pass" | "fail" | "not-seen";
  because: string;
  measured?: number;
  expected?: number;
  failing?: Failing;
  /** Of a fan's stages: how many were seen to do as the card says. */
  stagesSeen?: number;
}

const isFigure = (value: unknown) =>
  value === undefined || (typeof value === "number" && Number.isFinite(value));

function isCheck(value: unknown): value is LogCheck {
  if (!value || typeof value !== "object") return false;
  const { verdict, because, measured, expected, failing, stagesSeen } = value as Record<string, unknown>;
  return (
    (verdict === "pass" || verdict === "fail" || verdict === "not-seen") &&
    typeof because === "string" &&
    isFigure(measured) &&
    isFigure(expected) &&
    isFigure(stagesSeen) &&
    (failing === undefined || FAILINGS.includes(failing as Failing))
  );
}

export const AreLogChecks = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy(
    {
      name: "areLogChecks",
      validator: {
        validate: (value: unknown) =>
          Boolean(value) &&
          typeof value === "object" &&
          Object.entries(value as object).every(
            ([name, check]) => CHECKS.includes(name as CheckName) && isCheck(check),
          ),
        defaultMessage: buildMessage((each) => `${each}$property must hold the checks of a log`, options),
      },
    },
    options,
  );

/** How a check failed, from the sentences that were all it was kept by once. */
function failingOf(name: string, { because, measured, expected }: LogCheck): Failing | undefined {
  if (name === "fanOn") return /did not start/.test(because) ? "never" : "elsewhere";
  if (name !== "thermostat") return undefined;
  if (/hangs open/.test(because)) return "early";
  if (/did not open/.test(because)) return "never";
  const isFarBelow = measured !== undefined && expected !== undefined && measured < expected - NEVER_SHUT_C;
  return isFarBelow ? "early" : "elsewhere";
}

/** The checks of an older log entry, each with how it failed; what is no check is left out. */
export function liftChecks(checks: unknown): Partial<Record<CheckName, LogCheck>> {
  const lifted: Partial<Record<CheckName, LogCheck>> = {};
  for (const [name, check] of Object.entries(checks && typeof checks === "object" ? checks : {})) {
    if (!CHECKS.includes(name as CheckName) || !isCheck(check)) continue;
    const failing = check.verdict === "fail" ? (check.failing ?? failingOf(name, check)) : undefined;
    lifted[name as CheckName] = { ...check, ...(failing ? { failing } : {}) };
  }
  return lifted;
}
