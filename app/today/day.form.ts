import { IsIn, IsInt, IsOptional, IsUUID, Matches, Max, Min } from "class-validator";
import { IsMoment } from "../../core/book/facts/index.ts";

const MOMENT = { message: "A date and time." };
const KEY = /^[a-z0-9: -]{1,80}$/i;

/** Holds a piece of a job to a person, a time or both. */
export class HoldForm {
  @IsIn(["hold"])
  what: "hold";

  @IsUUID("all", { message: "Load the page again." })
  jobId: string;

  @Matches(KEY, { message: "A piece of work that is known here." })
  piece: string;

  @IsOptional()
  @IsUUID("all", { message: "Choose somebody." })
  personId?: string;

  @IsOptional()
  @IsMoment(MOMENT)
  at?: string;

  @IsOptional()
  @IsMoment(MOMENT)
  seen?: string;
}

/** Lets it lie where the day wants it again. */
export class LetGoForm {
  @IsIn(["let-go"])
  what: "let-go";

  @IsUUID("all", { message: "Load the page again." })
  jobId: string;

  @Matches(KEY, { message: "A piece of work that is known here." })
  piece: string;

  @IsOptional()
  @IsMoment(MOMENT)
  seen?: string;
}

/** Somebody isn't here for a while, or a lift can't be used. */
export class AwayForm {
  @IsIn(["away"])
  what: "away";

  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsOptional()
  @IsUUID("all", { message: "Choose somebody." })
  personId?: string;

  @IsOptional()
  @IsInt({ message: "Which lift." })
  @Min(1, { message: "Lifts count from 1." })
  @Max(40, { message: "At most 40 lifts." })
  lift?: number;

  @IsMoment(MOMENT)
  from: string;

  @IsMoment(MOMENT)
  until: string;
}

/** They are here after all. */
export class BackForm {
  @IsIn(["back"])
  what: "back";

  @IsUUID("all", { message: "Load the page again." })
  id: string;
}

/** The owner was told when it is ready. */
export class PromiseForm {
  @IsIn(["promise"])
  what: "promise";

  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsUUID("all", { message: "Load the page again." })
  jobId: string;

  @IsMoment(MOMENT)
  at: string;
}

export const DAY_FORMS = {
  hold: HoldForm,
  "let-go": LetGoForm,
  away: AwayForm,
  back: BackForm,
  promise: PromiseForm,
} as const;
