import { IsInt, IsNumber, IsOptional, IsString, Length, Matches, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { CheckName } from "../../trade/trace/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { AreLogChecks, type LogCheck, liftChecks } from "./log-checks.ts";
import { SHA256 } from "./sha256.ts";
import { sentence } from "./words.ts";

/** A year; whoever knows more says a year. */
export const MOST_RESTED_H = 8760;

/** A warm-up log was judged and kept: its name, its rows, how hot it got and the verdict of each check. */
export class WarmUpLog {
  @IsString()
  @Length(1, 40)
  logId: string;

  @IsString()
  @Length(1, 200)
  log: string;

  @IsInt()
  @Min(1)
  rows: number;

  @IsNumber()
  @Min(-1000)
  @Max(1000)
  peakC: number;

  /** Least hours that the engine had stood before the log, where somebody knew: 6 for a night, 0 for less than six. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(MOST_RESTED_H)
  restedH?: number;

  /** SHA-256 of the log as it was handed in, so that the book's own hash stands for it too; the first version had none. */
  @IsOptional()
  @Matches(SHA256)
  sha256?: string;

  @AreLogChecks()
  checks: Partial<Record<CheckName, LogCheck>>;

  static readonly fact = "warm-up-log";
  static readonly version = 2;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "warm-up log",
    text: "7 checks pass, hottest 98 °C",
    data: {
      fact: "warm-up-log",
      v: 2,
      logId: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a12",
      log: "as it came.csv",
      rows: 2041,
      sha256: "9f86d081884c7d659a2feaa0c55ad015a3bf4f1b2b0b822cd15d6c15b0f00a08",
      peakC: 98.2,
      checks: {
        fanOn: { verdict: "pass", because: "The fan started at 98 °C.", measured: 98, expected: 98 },
      },
    },
  };
  static readonly isServers = true;
  static readonly staysBecause = "A log stays as it was handed in; book the right one beside it";
  static words = (_: WarmUpLog, entry: EntryDraft, system: System) => sentence(entry, system);

  static lift = (older: Loose) => older;
  static liftLoose = ({ logId, log, rows, peakC, checks }: Loose) =>
    typeof logId === "string"
      ? { logId, log: log ?? "log", rows: rows ?? 1, peakC: peakC ?? 0, checks: liftChecks(checks) }
      : undefined;
}
