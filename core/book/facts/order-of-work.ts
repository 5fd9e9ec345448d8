import { ArrayMaxSize, IsArray, IsIn, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { FEATURES, type Feature, GOALS, type Goal } from "../../trade/order/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** In which order a job is worked: what for, what is in the way, and the steps as somebody put them. */
export class OrderOfWork {
  @IsIn(GOALS, { message: "What comes out: the radiator, the fan only or the switch only." })
  goal: Goal;

  @IsArray({ message: "What is in the way, as a list." })
  @ArrayMaxSize(FEATURES.length, { message: "Each thing in the way once." })
  @IsIn(FEATURES, { each: true, message: "Something in the way that is known here." })
  features: Feature[];

  @IsArray({ message: "The steps, as a list." })
  @ArrayMaxSize(60, { message: "At most 60 steps." })
  @IsString({ each: true })
  @Length(1, 40, { each: true, message: "A step that is known here." })
  order: string[];

  static readonly fact = "order-of-work";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "order of work",
    text: "switch only, 4 steps, 17 min of work",
    data: {
      fact: "order-of-work",
      v: 1,
      goal: "switch only",
      features: [],
      order: ["cold", "new-switch", "pan", "swap"],
    },
  };
  static words = (_: OrderOfWork, entry: EntryDraft, system: System) => sentence(entry, system);
}
