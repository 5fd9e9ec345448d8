import { v5 as uuid } from "uuid";
import {
  acceptedPart,
  answeredTest,
  chosePart,
  complained,
  decided,
  decidedInWords,
  letOut,
  poured,
  putBack,
  ranDistance,
  saidHappens,
  saidTrouble,
  sawLevel,
  testedOwn,
  tookOff,
  waits,
} from "../core/book/acts/index.ts";
import type { CoolantItem, EntryDraft, Stage } from "../core/book/entry/index.ts";
import type { WaitKind } from "../core/book/facts/index.ts";
import { type HappensWhen, type Trouble, testOf } from "../core/trade/diagnosis/knowledge/index.ts";
import { type Grade } from "../core/trade/sourcing/index.ts";
import type { NewEntry } from "../server/entries/record-entries.ts";
import type { DemoVehicle, PersonKey } from "./shop.ts";

const NAMESPACE = "7d8f4f0e-6d3b-4a51-9f0d-2f6f4b1c9a10";
/** The same name gives the same id, so that the made-up shop is the same for everybody. */
export const demoId = (name: string): string => uuid(name, NAMESPACE);

export interface Line {
  minute: number;
  stage: Stage;
  draft: EntryDraft;
  key?: string;
}

export interface Log {
  minute: number;
  name: string;
  text: string;
}

/** A picture drawn by program, as SVG, that is handed in as JPEG. */
export interface DemoPicture {
  minute: number;
  stage: Stage;
  words: string;
  place: string;
  drawing: string;
}

/** One job told in order; minutes count from its opening. */
export class Story {
  readonly lines: Line[] = [];
  readonly logs: Log[] = [];
  readonly pictures: DemoPicture[] = [];
  /** The job whose first log its last one is held against. */
  heldAgainst: string | undefined;
  signature: { minute: number; reason: string } | undefined;
  private minute = 0;
  private stage: Stage = "ask";

  constructor(
    readonly key: string,
    readonly vehicle: DemoVehicle,
    readonly daysAgo: number,
    readonly by: PersonKey,
    readonly bay: string,
    readonly startHour = 8,
  ) {}

  in(stage: Stage, minutes = 0): this {
    this.stage = stage;
    this.minute += minutes;
    return this;
  }

  book(draft: EntryDraft, key?: string): this {
    this.minute += 3;
    this.lines.push({ minute: this.minute, stage: this.stage, draft, key });
    return this;
  }

  ask(
    complaint: string,
    trouble: Trouble | undefined,
    happens: HappensWhen[],
    level: "line" | "min" | "low" = "line",
  ): this {
    const km = Math.round(this.vehicle.distanceKm - (this.daysAgo / 365) * this.vehicle.kmPerYear);
    this.in("ask").book(complained(complaint)).book(ranDistance(km));
    if (trouble) this.book(saidTrouble([trouble]));
    if (happens.length > 0) this.book(saidHappens(happens));
    return this.book(sawLevel(level, "cold"));
  }

  /** A test of the knowledge, with the outcome that came; `seen` says more than the outcome's own words. */
  test(id: string, outcomeId: string, seen?: string): this {
    const outcome = testOf(id).outcomes.find((each) => each.id === outcomeId);
    if (!outcome) throw new Error(`${id} has no outcome ${outcomeId}`);
    const words = seen && `${outcome.name}: ${seen}`;
    return this.in("find", 4).book(
      answeredTest({ test: id, outcome: outcomeId, ...(words && { seen: words }) }),
    );
  }

  /** A test that only the person knows. */
  ownTest(item: string, verdict: "pass" | "fail" | "not-seen", text: string): this {
    return this.in("find", 4).book(testedOwn(item, verdict, text));
  }

  find(finding: "fault" | "nothing-wrong", text: string, hypothesis?: string): this {
    return this.in("find", 2).book(hypothesis ? decided(hypothesis, text) : decidedInWords(finding, text));
  }

  part(item: string, grade: Grade, supplier: string, place?: string, isChecked = true): this {
    const key = `${item} ${place ?? ""}`;
    const chosen = { item, ...(place && { place }) };
    this.in("plan", 2).book(chosePart({ ...chosen, grade, supplier }), key);
    if (isChecked) this.book(acceptedPart({ ...chosen, entryId: demoId(`${this.key}:${key}`) }));
    return this;
  }

  move(
    account: NonNullable<EntryDraft["account"]>,
    item: string,
    place: string,
    count: number,
    direction: "out" | "in",
    where?: string,
  ): this {
    const thing = { account, item, place };
    return this.book(direction === "out" ? tookOff(thing, count, where) : putBack(thing, count));
  }

  coolant(item: Exclude<CoolantItem, "capacity">, litres: number, fraction?: number): this {
    return this.book(
      item === "poured"
        ? poured(litres, fraction === undefined ? undefined : { fraction })
        : letOut(item, litres),
    );
  }

  cold(): this {
    return this.in("prove", 25).book(sawLevel("line", "cold"));
  }

  warmUp(name: string, text: string, stage: Stage = "prove"): this {
    this.in(stage, 45);
    this.logs.push({ minute: this.minute, name, text });
    return this;
  }

  health(against: string): this {
    this.minute += 5;
    this.heldAgainst = against;
    return this;
  }

  logId(index: number): string {
    return demoId(`${this.key}:log${index === 0 ? "" : `:${index}`}`);
  }

  picture(words: string, place: string, drawing: string): this {
    this.minute += 1;
    this.pictures.push({ minute: this.minute, stage: this.stage, words, place, drawing });
    return this;
  }

  waits(waitsFor: WaitKind, text: string, untilMinutes?: number): this {
    return this.book(waits(waitsFor, text, untilMinutes === undefined ? undefined : `+${untilMinutes}`));
  }

  sign(reason = ""): this {
    this.minute += 8;
    this.signature = { minute: this.minute, reason };
    return this;
  }

  /** Its entries with their ids and times, `until` made absolute. */
  entries(openedAt: Date): NewEntry[] {
    return this.lines.map(({ minute, stage, draft, key }, index) => {
      const at = new Date(openedAt.getTime() + minute * 60_000);
      const until = draft.data?.until;
      const data =
        typeof until === "string"
          ? { ...draft.data, until: new Date(at.getTime() + Number(until) * 60_000).toISOString() }
          : draft.data;
      return {
        ...draft,
        ...(data ? { data } : {}),
        stage,
        at: at.toISOString(),
        id: demoId(key ? `${this.key}:${key}` : `${this.key}:${index}`),
      };
    });
  }
}
