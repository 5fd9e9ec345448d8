import {
  bypassed,
  cameIn,
  checkedFit,
  didTask,
  letOut,
  putBack,
  stepBackDrafts,
  stepDoneDrafts,
} from "../../book/acts/index.ts";
import type { EntryDraft } from "../../book/entry/index.ts";
import { type BuildGroup, outNow, tasksOf, thing, toGet } from "../../book/out/index.ts";
import { checkKnown, FIT_CHECKS } from "../../trade/order/index.ts";
import { type BackStep, backList } from "../build/index.ts";
import { partsGate, workOrderOf } from "../plan/index.ts";
import { type Act, ALONE, type Waiting } from "./act.ts";
import type { Room } from "./room.ts";

const DRAIN = "drain";
const STANDS = "Engine cold. Stands, not the jack. Refrigerant lines stay closed.";
const MOST_DRAINED_L = 60;
const at = (stage: "strip" | "build") => (drafts: EntryDraft[]) =>
  drafts.map((draft) => ({ ...draft, stage }));
const strip = at("strip");
const build = at("build");

/** The next step of the order of work, with what it takes off; none before the part is here. */
export function stripActs({ entries, now }: Room): Act[] {
  const work = workOrderOf(entries, now);
  if (!work || !partsGate(entries).isOpen) return [];
  const count = work.steps.filter(({ id }) => work.done.has(id)).length;
  return work.ready.map((step, index): Act => {
    const isDrain = step.id === DRAIN;
    return {
      id: `strip:step:${step.id}`,
      stage: "strip",
      what: step.name,
      where: index === 0 ? `step ${count + 1} of ${work.steps.length}` : undefined,
      why: step.why,
      minutes: step.minutes,
      needs: { people: step.people, tools: step.tools, ...(step.isCold && { engine: "opened" }) },
      caution: step.caution ?? STANDS,
      ...(isDrain && {
        field: {
          kind: "figure",
          label: "How much came out",
          dimension: "volume",
          least: 0.01,
          most: MOST_DRAINED_L,
        },
      }),
      choices: [
        {
          id: "done",
          words: "Done",
          lines: ({ figure }) =>
            strip([
              ...stepDoneDrafts(step, entries),
              ...(isDrain && figure ? [letOut("drained", figure)] : []),
            ]),
        },
      ],
    };
  });
}

/** The clocks that run beside the work: a battery that has to stand, a pan that fills. */
export function stripWaits({ entries, now }: Room): Waiting[] {
  const work = workOrderOf(entries, now);
  return [...(work?.resting ?? []), ...(work?.passing ?? [])].map(({ step, until }) => ({
    for: "clock",
    until,
    words: step.name,
  }));
}

/** A step goes back with what is to be seen of it. */
function stepAct(step: BackStep, room: Room): Act {
  const { back, entryId } = step;
  const checks = back.checks.flatMap((id) => {
    const known = checkKnown(id);
    return known ? [{ id, words: known.words }] : [];
  });
  const seen = checks.map(({ words }) => words);
  return {
    id: `build:step:${entryId}`,
    stage: "build",
    what: back.name,
    why: seen.length > 0 ? `See that: ${seen.join("; ")}.` : `${back.open}.`,
    minutes: 5,
    needs: ALONE,
    choices: [
      ...(checks.length > 0
        ? [
            {
              id: "seen",
              words: "Is back, all of that seen",
              lines: () => build(stepBackDrafts(step, checks, room.entries)),
            },
          ]
        : []),
      {
        id: "back",
        words: checks.length > 0 ? "Is back, not seen" : "Is back",
        lines: () => build(stepBackDrafts(step, [], room.entries)),
      },
    ],
  };
}

const groupAct = ({ items, place, behind }: BuildGroup): Act => ({
  id: `build:things:${items.map(({ entryId }) => entryId).join()}`,
  stage: "build",
  what: `Put back: ${items.map((item) => thing(item, item.open)).join("; ")}`,
  where: place,
  of: items.map(({ item }) => item),
  why: behind.length > 0 ? `First: ${behind.join(", ")}.` : "Last off, first on.",
  minutes: 3,
  needs: ALONE,
  choices: [
    {
      id: "back",
      words: items.length > 1 || (items[0]?.open ?? 1) > 1 ? "All of it is back" : "Is back",
      lines: () => build(items.map((item) => putBack(item, item.open))),
    },
  ],
});

/** Everything that goes back, last off first; what broke, what is to do beside it, what isn't right, what is bypassed. */
export function buildActs(room: Room): Act[] {
  const { entries, state } = room;
  const { now, waits } = backList(entries);
  const back = [...now, ...waits].map(({ step, group }) => (step ? stepAct(step, room) : groupAct(group)));
  const wanted = toGet(entries)
    .filter(({ isHere }) => !isHere)
    .map(
      ({ entryId, words, because }): Act => ({
        id: `build:get:${entryId}`,
        stage: "build",
        what: `Get ${words}`,
        why: `${because}.`,
        needs: ALONE,
        choices: [{ id: "here", words: "Is here", lines: () => build([cameIn(words, entryId)]) }],
      }),
    );
  const tasks = tasksOf(entries)
    .filter(({ isDone }) => !isDone)
    .map(
      (task): Act => ({
        id: `build:task:${task.entryId}`,
        stage: "build",
        what: task.words,
        why: "What the new part wants done so that it fits.",
        minutes: task.minutes,
        needs: ALONE,
        choices: [{ id: "done", words: "Is done", lines: () => build([didTask(task)]) }],
      }),
    );
  const wrong = state.open
    .filter(({ about }) => about === "check")
    .map(({ words }): Act => {
      const check = FIT_CHECKS.flatMap(({ checks }) => checks).find((each) => each.wrong === words);
      return {
        id: `build:check:${check?.id ?? words}`,
        stage: "build",
        what: `Put it right: ${words}`,
        why: check ? `Then see that: ${check.words}.` : "Then look again.",
        minutes: 10,
        needs: ALONE,
        choices: check
          ? [
              {
                id: "right",
                words: "Is right now",
                lines: () => build([checkedFit(check.id, "pass", check.words)]),
              },
            ]
          : [],
      };
    });
  const bridged = state.open
    .filter(({ about }) => about === "bypass")
    .map(({ words }): Act => {
      const item = words.replace(" bypassed for now", "");
      return {
        id: `build:bypass:${item}`,
        stage: "build",
        what: `Take the bypass off: ${item}`,
        why: "It got the car home; it is no repair.",
        minutes: 5,
        needs: ALONE,
        choices: [{ id: "off", words: "It is off", lines: () => build([bypassed(item, "off")]) }],
      };
    });
  return [...tasks, ...back, ...wrong, ...wanted, ...bridged, ...tooMuch(room)];
}

/** What went in beyond what was ever out: one of the lines is wrong. */
function tooMuch({ entries, state }: Room): Act[] {
  const isOut = new Set(outNow(entries).map(({ account, item, place }) => `${account} ${item} ${place}`));
  return state.open.flatMap(({ about, line, words, settledBy }): Act[] => {
    if (about !== "counted" || !line || line.open >= 0) return [];
    if (isOut.has(`${line.account} ${line.item} ${line.place}`)) return [];
    const wrong = entries.filter(({ seq }) => new RegExp(`\\b${seq}\\b`).test(settledBy));
    return [
      {
        id: `build:beyond:${line.account} ${line.item} ${line.place}`,
        stage: "build",
        what: words,
        why: settledBy,
        needs: ALONE,
        choices: wrong.map((entry) => ({
          id: entry.id,
          words: `Strike line ${entry.seq}`,
          lines: () => [{ kind: entry.kind, corrects: entry.id, stage: "build" as const }],
        })),
      },
    ];
  });
}
