import { IsIn, IsInt, IsNumber, IsOptional, IsString, IsUUID, Length, Max, Min } from "class-validator";
import { MOST_RESTED_H } from "../../../core/book/facts/index.ts";

const AGAIN = { message: "Load the page again." };

/** Begins to record. */
export class StartForm {
  @IsIn(["start"])
  what: "start";

  @IsUUID("all", AGAIN)
  id: string;

  @IsInt({ message: "1 to 5 readings a second." })
  @Min(1, { message: "1 to 5 readings a second." })
  @Max(5, { message: "1 to 5 readings a second." })
  perSecond: number;

  @IsOptional()
  @IsNumber({}, { message: "Hours that the engine had stood, as a figure." })
  @Min(0, { message: "Hours that the engine had stood, 0 or more." })
  @Max(MOST_RESTED_H, { message: "At most a year." })
  restedH?: number;

  @IsOptional()
  @IsString()
  @Length(0, 200, { message: "At most 200 letters." })
  opening?: string;
}

/** What somebody hears or feels; at this moment where no second is said. */
export class MarkForm {
  @IsIn(["mark"])
  what: "mark";

  @IsUUID("all", AGAIN)
  logId: string;

  @IsUUID("all", AGAIN)
  id: string;

  @IsString()
  @Length(1, 80, { message: "1 to 80 letters." })
  words: string;

  @IsOptional()
  @IsNumber({}, { message: "Seconds since it began." })
  @Min(0, { message: "Seconds since it began." })
  s?: number;
}

export class UnmarkForm {
  @IsIn(["unmark"])
  what: "unmark";

  @IsUUID("all", AGAIN)
  logId: string;

  @IsUUID("all", AGAIN)
  id: string;
}

/** Something that the car is asked. */
export class AskForm {
  @IsIn(["ask"])
  what: "ask";

  @IsUUID("all", AGAIN)
  logId: string;

  @IsUUID("all", AGAIN)
  id: string;

  @IsIn(["codes", "clear", "fan-on", "fan-off"])
  ask: "codes" | "clear" | "fan-on" | "fan-off";
}

/** Ends it, keeps it, or throws it away. */
export class EndForm {
  @IsIn(["stop", "keep", "drop"])
  what: "stop" | "keep" | "drop";

  @IsUUID("all", AGAIN)
  logId: string;
}

export const LIVE_FORMS = {
  start: StartForm,
  mark: MarkForm,
  unmark: UnmarkForm,
  ask: AskForm,
  stop: EndForm,
  keep: EndForm,
  drop: EndForm,
};
export type LiveSent = StartForm | MarkForm | UnmarkForm | AskForm | EndForm;
