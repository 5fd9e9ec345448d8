import {
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  validateSync,
} from "class-validator";
import { asClass } from "../../core/kernel/plain/index.ts";
import { CALLS, type Call, type FollowUpRule } from "../../core/trade/follow-ups/index.ts";

const MOST_RULES = 12;

/** One of the shop's rules for second looks, as it is sent. */
export class RuleForm {
  @Matches(/^[\w-]{1,40}$/, { message: "A short name." })
  id: string;

  @IsString()
  @Length(1, 120, { message: "What is looked at, 1 to 120 letters." })
  words: string;

  @IsIn(CALLS, { message: "Choose after which work." })
  after: Call;

  @IsInt({ message: "Whole days, 0 to 730." })
  @Min(0, { message: "Whole days, 0 to 730." })
  @Max(730, { message: "Whole days, 0 to 730." })
  days: number;

  @IsOptional()
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "A distance of 1 to 100 000 km." })
  @Min(1, { message: "A distance of 1 to 100 000 km." })
  @Max(100_000, { message: "A distance of 1 to 100 000 km." })
  km?: number;
}

/** The rules as they were sent, or what is wrong with them. */
export function readRulesForm(sent: unknown): { rules: FollowUpRule[] } | { trouble: string } {
  let list: unknown;
  try {
    list = JSON.parse(String(sent));
  } catch {
    return { trouble: "Those are no rules. Load the page again." };
  }
  if (!Array.isArray(list) || list.length > MOST_RULES)
    return { trouble: `At most ${MOST_RULES} rules are kept.` };
  const rules = list.map((each) =>
    asClass(RuleForm, each && typeof each === "object" && !Array.isArray(each) ? each : {}),
  );
  for (const [index, rule] of rules.entries()) {
    const [error] = validateSync(rule, { whitelist: true, forbidNonWhitelisted: true });
    const { whitelistValidation, ...said } = error?.constraints ?? {};
    if (error)
      return {
        trouble: `Rule ${index + 1}: ${Object.values(said)[0] ?? "there is something in it that no rule has."}`,
      };
  }
  return { rules: rules.map((rule) => ({ ...rule })) };
}
