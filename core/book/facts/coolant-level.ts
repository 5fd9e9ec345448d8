import { IsIn, IsOptional } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** Where the coolant stands against the marks, and whether the engine was cold. */
export class CoolantLevel {
  @IsIn(["max", "line", "min", "low", "empty"], { message: "line, min, max, low or empty." })
  level: "max" | "line" | "min" | "low" | "empty";

  @IsOptional()
  @IsIn(["cold", "hot"], { message: "cold or hot." })
  heat?: "cold" | "hot";

  static readonly fact = "coolant-level";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "coolant level",
    text: "at the line, cold",
    data: { fact: "coolant-level", v: 1, level: "line", heat: "cold" },
  };
  static words = (_: CoolantLevel, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = ({ level, coldCheck }: Loose, entry: EntryDraft) => {
    // The earliest of them only said that the cold check was done, which was said of the line alone.
    const mark = level ?? (coldCheck === true ? "line" : undefined);
    if (mark === undefined) return undefined;
    const isCold = coldCheck === true || /\bcold\b/.test(entry.text ?? "");
    const isHot = !isCold && /\bhot\b/.test(entry.text ?? "");
    return { level: mark, ...(isCold ? { heat: "cold" } : isHot ? { heat: "hot" } : {}) };
  };
}
