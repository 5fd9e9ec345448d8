import {
  beganStep,
  endedBleeding,
  feltHose,
  leftBleeding,
  letOut,
  poured,
  readCoolant,
  sawLevel,
  sawSign,
  stoppedBleeding,
  wentOn,
} from "../../book/acts/index.ts";
import type { EntryDraft } from "../../book/entry/index.ts";
import { BleedSign, BleedStep, factsOf, lastFact } from "../../book/facts/index.ts";
import { format } from "../../kernel/units/index.ts";
import { coolantBalance, isKnownLow } from "../../state/index.ts";
import { bleedProgress, methodsFor, SCHOOL_WORDS, SIGN_WORDS, SIGNS } from "../../trade/bleed/index.ts";
import { HOT_CAP_WORDS } from "../../trade/limits/index.ts";
import { type BleedRun, bleedRun, isHeld } from "../fill/index.ts";
import { type Act, ALONE, type Choice, type Field, type Needs } from "./act.ts";
import type { Room } from "./room.ts";

const MOST_L = 60;
/** So much poured was a fill: air went in with it. */
const LEAST_FILL_L = 1;
const OPENED: Needs = { people: 1, tools: [], engine: "opened", isTogether: true };
const TOGETHER: Needs = { people: 1, tools: [], isTogether: true };
const fill = (drafts: EntryDraft[]): EntryDraft[] => drafts.map((draft) => ({ ...draft, stage: "fill" }));

const litres = (label: string, known?: { value: number; from: string }, least = 0.01): Field => ({
  kind: "figure",
  label,
  dimension: "volume",
  least,
  most: MOST_L,
  ...(known && { known }),
});

/** Whether the cap may be opened: read, or felt by hand. What nothing that opens it waits for without. */
export const capAct = ({ state }: Room): Act => ({
  id: "cap",
  stage: "fill",
  what: "See whether the cap may be opened",
  why: state.engine.cap.because,
  minutes: 2,
  needs: ALONE,
  caution: HOT_CAP_WORDS,
  field: { kind: "figure", label: "Engine's sensor reads", dimension: "temperature", least: -40, most: 150 },
  choices: [
    {
      id: "read",
      words: "Book the reading",
      wants: true,
      lines: ({ figure = 0 }) => fill([readCoolant(figure)]),
    },
    { id: "soft", words: "Upper hose soft and cool", lines: () => fill([feltHose("soft-and-cool")]) },
    { id: "hard", words: "Upper hose hard or hot", lines: () => fill([feltHose("hard-or-hot")]) },
  ],
});

/** The balance of litres where it isn't level: to pour, or lost; or more in than ever came out. */
export function pourActs({ entries, system, state }: Room): Act[] {
  const { unaccountedL, withinTolerance, moved } = coolantBalance(entries);
  const untold = state.open.find(({ about, stage }) => about === "litres" && stage === "strip");
  if (untold)
    return [
      {
        id: "fill:drained",
        stage: "fill",
        what: "How much came out?",
        why: "The tap was opened, and nobody has written how much. Not measured is never nought.",
        minutes: 2,
        needs: ALONE,
        field: litres("Drained"),
        choices: [
          {
            id: "drained",
            words: "Book it",
            wants: true,
            lines: ({ figure = 0 }) => fill([letOut("drained", figure)]),
          },
        ],
      },
    ];
  if (!moved || withinTolerance) return [];
  if (unaccountedL < 0)
    return [
      {
        id: "fill:missing",
        stage: "fill",
        what: "How much was missing when it came?",
        why: `${format(-unaccountedL, "volume", system)} more went in than came out.`,
        minutes: 1,
        needs: ALONE,
        field: litres("Missing at arrival", { value: -unaccountedL, from: "as the book adds up" }),
        choices: [
          {
            id: "missing",
            words: "It was missing",
            wants: true,
            lines: ({ figure = 0 }) => fill([letOut("missing", figure)]),
          },
        ],
      },
    ];
  return [
    {
      id: "fill:pour",
      stage: "fill",
      what: "Pour it in, and write down how much",
      why: `${format(unaccountedL, "volume", system)} out and not back in. What to mix stands under mix.`,
      minutes: 10,
      needs: OPENED,
      caution: "Coolant is sweet and poisons animals and children: catch it, wipe it up.",
      // Measured, not taken over: what has not gone back in is air, and only the jug tells.
      field: litres("How much went in"),
      choices: [
        {
          id: "poured",
          words: "Poured",
          wants: true,
          lines: ({ figure = 0 }) => fill([poured(figure)]),
        },
        {
          id: "spilled",
          words: "Spilled or lost",
          wants: true,
          lines: ({ figure = 0 }) => fill([letOut("spilled", figure)]),
        },
      ],
    },
  ];
}

/** The last top-up was the last, or once more round: by what the cycles and signs say, that first. */
function lastChoices(run: BleedRun): Choice[] {
  const { method, step, cycles } = run;
  const pour = (figure?: number) => (figure ? [poured(figure)] : []);
  const ends: Choice = {
    id: "last",
    words: "Topped up, and that was the last",
    lines: ({ figure }) =>
      fill([...pour(figure), endedBleeding(method, step, `cycle ${cycles.length + 1} topped up, the last`)]),
  };
  const again: Choice = {
    id: "again",
    words: "Topped up: once more round",
    lines: ({ figure }) => fill([...pour(figure), ...wentOn(method, step, cycles.length)]),
  };
  return bleedProgress(run.cycles, run.signs).done === "pass" ? [ends, again] : [again, ends];
}

function stepAct(run: BleedRun, room: Room): Act {
  const { method, step: place, endsAt, cycles, stopped, startedAt } = run;
  const base = { stage: "fill", isInHand: true } as const;
  const isStopped = stopped !== undefined;
  const step = method.steps[place];
  const id = `fill:bleed:${startedAt}`;
  if (isStopped || !step)
    return {
      ...base,
      id,
      what: "Cold again: go on from the warm-up",
      why: `Stopped: ${stopped}. Engine off, cap on, and let it cool.`,
      needs: OPENED,
      caution: HOT_CAP_WORDS,
      choices: [{ id: "again", words: "Go on", lines: () => fill([beganStep(method, method.againFrom)]) }],
    };
  const { entries, now, vehicle, state, nowMs } = room;
  const isShutNow = isHeld(step, { isStopped, startedAt }, { engine: state.engine, entries, now, vehicle });
  const isLast = place === method.steps.length - 1;
  const isTopUp = step.kind === "top-up" || step.kind === "fill";
  const runs = step.kind === "run" && step.engine !== "off";
  const isOn = endsAt !== undefined && Date.parse(endsAt) > nowMs;
  const on: Choice = {
    id: "next",
    words: "Done: the next step",
    lines: ({ figure }) =>
      fill([...(figure ? [poured(figure)] : []), ...wentOn(method, place, cycles.length)]),
  };
  const stop: Choice = {
    id: "stop",
    words: "Stop it now",
    lines: () => fill([stoppedBleeding(method, place, "stopped by hand")]),
  };
  return {
    ...base,
    id,
    what: step.order,
    where: `${SCHOOL_WORDS[method.school]}, step ${place + 1} of ${method.steps.length}${cycles.length > 0 ? `, cycle ${cycles.length + 1}` : ""}`,
    why: runs ? `Stop at once: ${method.stopAtOnce.join("; ")}.` : `Watch: ${step.watch.join("; ")}.`,
    ...(step.minutes !== undefined && { minutes: step.minutes }),
    needs: isShutNow ? OPENED : TOGETHER,
    ...(isTopUp
      ? { caution: HOT_CAP_WORDS }
      : runs
        ? { caution: "Engine running: doors open, extraction on." }
        : {}),
    ...(endsAt && (isOn ? { until: endsAt } : { dueSince: endsAt })),
    ...(isTopUp && { field: litres("How much went in", undefined, 0) }),
    choices: isLast ? lastChoices(run) : runs ? [on, stop] : [on],
  };
}

/** The engine runs by a step of bleeding, and the next that is due opens it: first it is stopped. */
export function stopAct({ entries }: Room): Act {
  const begun = lastFact(entries, BleedStep)?.fact;
  return {
    id: "fill:stop",
    stage: "fill",
    what: "Engine off, cap on, and let it cool",
    why: "It runs by the step of bleeding in hand, and what comes next opens it.",
    minutes: 1,
    needs: ALONE,
    isInHand: true,
    caution: HOT_CAP_WORDS,
    choices: begun
      ? [{ id: "off", words: "Engine is off", lines: () => fill([leftBleeding(begun, "stops")]) }]
      : [],
  };
}

/** A sign that nobody has seen on this round, asked as it cools: what showed itself as it warmed is known then. */
function signActs({ method, step, signs, startedAt, isEnded }: BleedRun, { entries }: Room): Act[] {
  if (isEnded || method.steps[step]?.kind !== "cool") return [];
  const said = factsOf(entries, BleedSign).filter(({ entry }) => entry.at >= startedAt);
  const sign = SIGNS.find((each) => signs[each] !== "pass" && !said.some(({ fact }) => fact.sign === each));
  if (!sign) return [];
  return [
    {
      id: `fill:sign:${sign}:${startedAt}`,
      stage: "fill",
      what: `Seen: ${SIGN_WORDS[sign]}?`,
      why: "The air is out when every sign says so.",
      minutes: 1,
      needs: ALONE,
      choices: [
        { id: "pass", words: "Yes", lines: () => fill([sawSign(sign, "pass")]) },
        { id: "fail", words: "No", lines: () => fill([sawSign(sign, "fail")]) },
        { id: "not-seen", words: "Not seen", lines: () => fill([sawSign(sign, "not-seen")]) },
      ],
    },
  ];
}

/** Getting the air out: the school to begin with, its step in hand, and the signs that are still to be seen. */
export function bleedActs(room: Room): Act[] {
  const { entries, vehicle } = room;
  const run = bleedRun(entries, vehicle);
  if (run && !run.isEnded) return [...signActs(run, room), stepAct(run, room)];
  const begun = lastFact(entries, BleedStep)?.fact;
  if (!run && begun && begun.does !== "ends")
    return [
      {
        id: "fill:left",
        stage: "fill",
        what: `End what was begun: ${SCHOOL_WORDS[begun.school]}`,
        why: "It isn't a way that suits this car, by its card.",
        needs: ALONE,
        choices: [{ id: "ended", words: "It is ended", lines: () => fill([leftBleeding(begun)]) }],
      },
    ];
  if (run || coolantBalance(entries).addedL < LEAST_FILL_L) return [];
  const [best, second] = methodsFor(vehicle);
  if (!best) return [];
  return [
    {
      id: "fill:bleed",
      stage: "fill",
      what: `Get the air out: ${SCHOOL_WORDS[best.school]}`,
      why: best.because,
      minutes: best.steps.reduce((sum, { minutes = 0 }) => sum + minutes, 0),
      needs: OPENED,
      caution: HOT_CAP_WORDS,
      choices: [best, ...(second ? [second] : [])].map((method) => ({
        id: method.school,
        words: `Begin: ${SCHOOL_WORDS[method.school]}`,
        lines: () => fill([beganStep(method, 0)]),
      })),
    },
  ];
}

const LEVELS = [
  ["line", "Cold, at the line"],
  ["min", "At the minimum"],
  ["low", "Below the minimum"],
] as const;

/** The level where it is too low, or was not seen cold since the last pour. */
export function levelActs({ state, entries }: Room): Act[] {
  const owed = state.open.find(({ about }) => about === "level");
  const low =
    owed?.words ?? (isKnownLow(entries) ? "it was seen low: top up, then look again cold" : undefined);
  const cold = state.open.find(({ about }) => about === "cold-check");
  const look = (words: string): Choice[] =>
    LEVELS.map(([level, label]) => ({
      id: level,
      words: level === "line" ? words : label,
      lines: () => [{ ...sawLevel(level, "cold"), stage: "prove" as const }],
    }));
  if (low)
    return [
      {
        id: "fill:low",
        stage: "fill",
        what: "Top it up to the line",
        why: `${low}.`,
        minutes: 5,
        needs: OPENED,
        caution: HOT_CAP_WORDS,
        field: litres("How much went in"),
        choices: [
          {
            id: "poured",
            words: "Topped up",
            wants: true,
            lines: ({ figure = 0 }) => fill([poured(figure)]),
          },
          ...look("It is at the line").slice(0, 1),
        ],
      },
    ];
  if (!cold) return [];
  return [
    {
      id: "prove:cold",
      stage: "prove",
      what: "Look at the level and the cap, cold",
      why: "After every pour, and after a night: where it has fallen there was air, or it is lost.",
      minutes: 3,
      needs: OPENED,
      caution: HOT_CAP_WORDS,
      choices: look("Cold, at the line"),
    },
  ];
}
