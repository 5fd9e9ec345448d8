import { ArrayMaxSize, IsArray, IsString, Length } from "class-validator";
import type { EntryDraft } from "../book/index.ts";
import type { System } from "../units/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** The job was signed, with this left open; the reason is the entry's own text. */
export class Signature {
  @IsArray()
  @ArrayMaxSize(5000)
  @IsString({ each: true })
  @Length(1, 400, { each: true })
  open: string[];

  static readonly fact = "signature";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "signed",
    text: "everything is accounted for",
    data: { fact: "signature", v: 1, open: [] },
  };
  static readonly isServers = true;
  static readonly staysBecause = "A signature stays as it was given";
  static words = (_: Signature, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = ({ signed, open }: Loose) =>
    signed === true ? { open: Array.isArray(open) ? open : [] } : undefined;
}
