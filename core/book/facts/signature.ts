import { ArrayMaxSize, IsArray, IsOptional, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** The job was signed, with this left open; the reason is the entry's own text. */
export class Signature {
  @IsArray()
  @ArrayMaxSize(5000)
  @IsString({ each: true })
  @Length(1, 400, { each: true })
  open: string[];

  /** What the work asked to be proven and nobody had seen, or had seen fail. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @Length(1, 120, { each: true })
  unproven?: string[];

  static readonly fact = "signature";
  static readonly version = 2;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "signed",
    text: "everything is accounted for",
    data: { fact: "signature", v: 2, open: [] },
  };
  static readonly isServers = true;
  static readonly staysBecause = "A signature stays as it was given";
  static words = (_: Signature, entry: EntryDraft, system: System) => sentence(entry, system);

  /** The first version knew of no proofs. */
  static lift = (older: Loose) => older;
  static liftLoose = ({ signed, open }: Loose) =>
    signed === true ? { open: Array.isArray(open) ? open : [] } : undefined;
}
