import { Pin } from "lucide-react";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { DaySlip } from "../../core/stages/day/index.ts";
import type { TodayRead } from "../../server/books/day/read-today.ts";
import { useMember } from "../desk/member.ts";
import { clockOf } from "../ui/dates.ts";
import { Pop } from "../ui/Pop.tsx";
import { placeOf, type Stay } from "./lanes.ts";
import { StaySheet } from "./StaySheet.tsx";
import { type DayCar, holdOf, lostHoldOf, type useArranging } from "./useDay.ts";

/** How high a stay is with its room, and how wide at least, px. */
export const LEVEL_PX = 60;
export const FINGER_PX = 58;
const MINUTE_MS = 60_000;
/** A hand holds to a time by the quarter of an hour, a drag by five minutes. */
const STEP_MIN = 15;
const DRAG_MIN = 5;
/** From this part of a lane on, per cent, a slip has room for its own words; else they stand behind it as far as nothing lies there. */
const WORDS_WITHIN = 15;
/** A tap moves less. */
const SLACK_PX = 8;

export interface Sheet {
  from: number;
  until: number;
}

/** A stay at a car as a slip on the ruled sheet: opened by a tap, held by dragging it or by Shift and an arrow. */
export function StaySlip({
  stay,
  car,
  sheet,
  laneId,
  today,
  people,
  arranging,
  late,
  freeUntil,
}: {
  stay: Stay;
  car: DayCar;
  sheet: Sheet;
  /** Whose lane it lies in, where lanes are people's. */
  laneId: string | undefined;
  today: TodayRead;
  people: readonly { id: string; name: string }[];
  arranging: ReturnType<typeof useArranging>;
  /** How late its car is, where this is the last of it. */
  late: number | undefined;
  /** Where the next on its level begins, per cent of the lane; nothing where none does. */
  freeUntil: number | undefined;
}) {
  const { timeZone } = useMember();
  const [isOpen, setOpen] = useState(false);
  const [drag, setDrag] = useState<{ x: number; y: number }>();
  const start = useRef<{ x: number; y: number; width: number }>(undefined);
  const isDragged = useRef(false);
  const { slips, from, until } = stay;
  const [first] = slips;
  const what = slips.map(({ piece }) => car.pieces.get(piece)?.what ?? piece);
  const isKept = (slip: DaySlip) => lostHoldOf(today.laid, slip) === undefined;
  const held = slips.filter(isKept).some((slip) => holdOf(today.holds, slip));
  const mayHold = first !== undefined && !car.pieces.has("look");

  /** Holds its first piece to a person, to a moment, or to both; the rest comes behind it. */
  const hold = (personId: string | undefined, at: number | undefined) => {
    if (!first || !mayHold || arranging.isBusy) return;
    const now = holdOf(today.holds, first);
    const [to, when] = [personId ?? now?.personId, at === undefined ? now?.at : new Date(at).toISOString()];
    arranging.send({
      what: "hold",
      jobId: first.jobId,
      piece: first.piece,
      ...(now && { seen: now.heldAt }),
      ...(to && { personId: to }),
      ...(when && { at: when }),
    });
  };
  const stepped = (at: number, minutes: number) =>
    Math.round(at / (minutes * MINUTE_MS)) * minutes * MINUTE_MS;
  const toNeighbour = (by: number) => {
    const to = people[people.findIndex(({ id }) => id === laneId) + by]?.id;
    if (to) hold(to, undefined);
  };

  const press = (event: KeyboardEvent) => {
    // A key is no end of a drag.
    isDragged.current = false;
    if (!event.shiftKey) return;
    const at = Date.parse(from);
    const acts = new Map<string, () => void>([
      ["ArrowRight", () => hold(undefined, stepped(at + STEP_MIN * MINUTE_MS, STEP_MIN))],
      [
        "ArrowLeft",
        () => hold(undefined, Math.max(Date.now(), stepped(at - STEP_MIN * MINUTE_MS, STEP_MIN))),
      ],
      ["ArrowDown", () => toNeighbour(1)],
      ["ArrowUp", () => toNeighbour(-1)],
    ]);
    const act = acts.get(event.key);
    if (!act || event.repeat) return;
    event.preventDefault();
    act();
  };

  const begin = (event: PointerEvent<HTMLElement>) => {
    isDragged.current = false;
    const lane = event.currentTarget.closest("[data-lane]");
    if (!mayHold || event.button !== 0 || !lane) return;
    start.current = { x: event.clientX, y: event.clientY, width: lane.getBoundingClientRect().width };
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const move = (event: PointerEvent<HTMLElement>) => {
    if (!start.current) return;
    const [x, y] = [event.clientX - start.current.x, event.clientY - start.current.y];
    if (!isDragged.current && Math.hypot(x, y) < SLACK_PX) return;
    isDragged.current = true;
    setDrag({ x, y });
  };
  const end = (event: PointerEvent<HTMLElement>) => {
    const { current: begun } = start;
    start.current = undefined;
    setDrag(undefined);
    if (!begun || !isDragged.current || event.type !== "pointerup") return;
    const x = event.clientX - begun.x;
    const moved = Math.abs(x) < SLACK_PX ? 0 : (x / begun.width) * (sheet.until - sheet.from);
    const under = document
      .elementsFromPoint(event.clientX, event.clientY)
      .find((each) => each instanceof HTMLElement && each.dataset.lane !== undefined);
    const to = (under as HTMLElement | undefined)?.dataset.person;
    const isOther = laneId !== undefined && to !== undefined && to !== laneId;
    if (moved === 0 && !isOther) return;
    const at = moved === 0 ? undefined : Math.max(Date.now(), stepped(Date.parse(from) + moved, DRAG_MIN));
    hold(isOther ? to : undefined, at);
  };

  const left = placeOf(from, sheet.from, sheet.until);
  const width = placeOf(until, sheet.from, sheet.until) - left;
  const isWide = width >= WORDS_WITHIN;
  const lateWords = late === undefined ? "" : `${late} min late`;
  const called = [
    `${clockOf(from, timeZone)} to ${clockOf(until, timeZone)}`,
    // What is to be seen stands in the name as it stands there.
    [car.plate, lateWords && `${lateWords}.`, what.join(", ")].filter(Boolean).join(" "),
    first?.lift ? `lift ${first.lift}` : "",
    held ? "held" : "",
  ];
  const words = (
    <>
      {lateWords && <b>{lateWords}. </b>}
      {what.join("; ")}
    </>
  );
  const slip = (
    <span
      className="absolute h-14"
      style={{
        top: `${4 + stay.level * LEVEL_PX}px`,
        // The last of the day stays on the sheet.
        left: `min(${left}%, 100% - ${FINGER_PX}px)`,
        width: `max(${width}%, ${FINGER_PX}px)`,
        ...(drag && { transform: `translate(${drag.x}px, ${drag.y}px)`, zIndex: 20 }),
      }}
    >
      <Pop
        trigger={{
          "aria-label": called.filter(Boolean).join("; "),
          title: called.filter(Boolean).join("; "),
          className: `absolute inset-y-0 right-px left-0 flex touch-pan-y select-none flex-col items-start overflow-hidden border-ink border-l-4 bg-sheet px-1.5 py-1 text-left leading-tight hover:bg-wash ${held ? "outline-2 outline-ink outline-dashed -outline-offset-2" : "border-y border-y-rule [clip-path:polygon(0_0,calc(100%-9px)_0,100%_9px,100%_100%,0_100%)]"}`,
          onKeyDown: press,
          onPointerDown: begin,
          onPointerMove: move,
          onPointerUp: end,
          onPointerCancel: end,
          children: (
            <>
              <span className="figure flex items-center gap-1 font-bold">
                {car.short}
                {held && isWide && <Pin size={14} aria-hidden="true" />}
              </span>{" "}
              {isWide && <span className="line-clamp-1 text-sm">{words}</span>}
            </>
          ),
        }}
        label={`${car.plate}, ${clockOf(from, timeZone)}`}
        side="bottom"
        align="start"
        className="z-50 max-h-[80dvh] w-[26rem] max-w-[94vw] overflow-auto rounded-md border-2 border-ink bg-sheet p-4"
        isOpen={isOpen}
        onOpenChange={(to) => !isDragged.current && setOpen(to)}
      >
        <StaySheet
          stay={stay}
          car={car}
          today={today}
          people={people}
          arranging={arranging}
          onDone={() => setOpen(false)}
        />
      </Pop>
    </span>
  );
  return (
    <>
      {slip}
      {!isWide && !drag && (
        <span
          aria-hidden="true"
          data-beside
          className="@container pointer-events-none absolute h-14 py-1"
          style={{
            top: `${4 + stay.level * LEVEL_PX}px`,
            left: `calc(min(${left}%, 100% - ${FINGER_PX}px) + max(${width}%, ${FINGER_PX}px) + 4px)`,
            // The last of the day may stand before its time: it stays on the sheet.
            right: freeUntil === undefined ? 0 : `max(${100 - freeUntil}%, ${FINGER_PX}px)`,
          }}
        >
          <span className="line-clamp-3 text-sm leading-tight @max-[4.5rem]:hidden">{words}</span>
        </span>
      )}
    </>
  );
}
