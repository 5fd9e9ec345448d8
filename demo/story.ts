import { v5 as uuid } from "uuid";
import type { EntryDraft, Stage } from "../core/book/entry/index.ts";
import {
  CheckedPart,
  ChosenPart,
  Complaint,
  CoolantLevel,
  Distance,
  dataOf,
  Finding,
  Happens,
  OwnTest,
  Strength,
  TestOutcome,
  Trouble as TroubleFact,
  Waiting,
  type WaitKind,
} from "../core/book/facts/index.ts";
import { TROUBLES, type Trouble, testOf } from "../core/trade/diagnosis/knowledge/index.ts";
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
    happens: string[],
    level: "line" | "min" | "low" = "line",
  ): this {
    const km = Math.round(this.vehicle.distanceKm - (this.daysAgo / 365) * this.vehicle.kmPerYear);
    const levels = { line: "at the line, cold", min: "at the minimum, cold", low: "below the minimum, cold" };
    this.in("ask")
      .book({ kind: "note", item: "complaint", text: complaint, data: dataOf(Complaint, {}) })
      .book({ kind: "reading", item: "distance", value: km, unit: "km", data: dataOf(Distance, {}) });
    if (trouble) {
      const text = TROUBLES[trouble];
      this.book({ kind: "reading", item: "trouble", text, data: dataOf(TroubleFact, { chips: [text] }) });
    }
    if (happens.length > 0)
      this.book({
        kind: "reading",
        item: "happens",
        text: happens.join(", "),
        data: dataOf(Happens, { chips: happens }),
      });
    return this.book({
      kind: "reading",
      item: "coolant level",
      text: levels[level],
      data: dataOf(CoolantLevel, { level, heat: "cold" }),
    });
  }

  /** A test of the knowledge, with the outcome that came; `seen` says more than the outcome's own words. */
  test(id: string, outcomeId: string, seen?: string): this {
    const test = testOf(id);
    const outcome = test.outcomes.find((each) => each.id === outcomeId);
    if (!outcome) throw new Error(`${id} has no outcome ${outcomeId}`);
    return this.in("find", 4).book({
      kind: "test",
      item: test.name,
      text: seen ? `${outcome.name}: ${seen}` : outcome.name,
      data: dataOf(TestOutcome, { test: id, outcome: outcomeId, verdict: outcome.verdict }),
    });
  }

  /** A test that only the person knows. */
  ownTest(item: string, verdict: "pass" | "fail" | "not-seen", text: string): this {
    return this.in("find", 4).book({ kind: "test", item, text, data: dataOf(OwnTest, { verdict }) });
  }

  find(finding: "fault" | "nothing-wrong", text: string, hypothesis?: string): this {
    const data = dataOf(Finding, { finding, ...(hypothesis ? { hypothesis } : {}) });
    return this.in("find", 2).book({ kind: "decision", item: "finding", text, data });
  }

  part(item: string, grade: Grade, supplier: string, place?: string, isChecked = true): this {
    const key = `${item} ${place ?? ""}`;
    const where = place ? { place } : {};
    this.in("plan", 2).book(
      {
        kind: "decision",
        item,
        ...where,
        text: `${grade}, ${supplier}`,
        data: dataOf(ChosenPart, { grade, supplier }),
      },
      key,
    );
    if (isChecked)
      this.book({
        kind: "decision",
        item,
        ...where,
        text: "here, out of the box, undamaged",
        data: dataOf(CheckedPart, { part: demoId(`${this.key}:${key}`) }),
      });
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
    return this.book({
      kind: "movement",
      account,
      item,
      ...(place ? { place } : {}),
      [direction]: count,
      ...(where ? { text: where } : {}),
    });
  }

  coolant(item: string, litres: number, fraction?: number): this {
    const direction = item === "poured" ? "in" : "out";
    return this.book({
      kind: "movement",
      account: "coolant",
      item,
      unit: "L",
      [direction]: litres,
      ...(fraction ? { data: dataOf(Strength, { fraction }) } : {}),
    });
  }

  cold(): this {
    return this.in("prove", 25).book({
      kind: "reading",
      item: "coolant level",
      text: "at the line, cold",
      data: dataOf(CoolantLevel, { level: "line", heat: "cold" }),
    });
  }

  warmUp(name: string, text: string, stage: Stage = "prove"): this {
    this.in(stage, 45);
    this.logs.push({ minute: this.minute, name, text });
    return this;
  }

  picture(words: string, place: string, drawing: string): this {
    this.minute += 1;
    this.pictures.push({ minute: this.minute, stage: this.stage, words, place, drawing });
    return this;
  }

  waits(waitsFor: WaitKind, text: string, untilMinutes?: number): this {
    const until = untilMinutes === undefined ? {} : { until: `+${untilMinutes}` };
    return this.book({
      kind: "decision",
      item: "waits",
      text,
      data: dataOf(Waiting, { waitsFor, ...until }),
    });
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
