import { useEffect, useMemo, useRef, useState } from "react";
import { useFetcher, useRevalidator } from "react-router";
import type { DaySlip, LostHold, Piece } from "../../core/stages/day/index.ts";
import type { TodayRead } from "../../server/books/day/read-today.ts";
import type { Refused } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { announce } from "../ui/announcer.ts";
import { clockOf, dayOf } from "../ui/dates.ts";
import { shortPlate } from "./lanes.ts";

/** A car of the day as a slip calls it. */
export interface DayCar {
  jobId: string;
  plate: string;
  /** What it is called across a shop. */
  short: string;
  vehicle: string;
  pieces: ReadonlyMap<string, Piece>;
  /** Where its work is done. */
  to: (piece: string) => string;
}

/** The cars of a day by the id that its slips have. */
export function useCars({ slips, looks }: Pick<TodayRead, "slips" | "looks">): ReadonlyMap<string, DayCar> {
  return useMemo(() => {
    const plates = [...slips.map(({ plate }) => plate), ...looks.map(({ plate }) => plate)];
    const cars = new Map<string, DayCar>();
    for (const { id, plate, vehicle, pieces } of slips) {
      const by = new Map(pieces.map((piece) => [piece.id, piece] as const));
      cars.set(id, {
        jobId: id,
        plate,
        short: shortPlate(plate, plates),
        vehicle,
        pieces: by,
        to: (piece) => `/jobs/${id}/${by.get(piece)?.stage ?? "ask"}`,
      });
    }
    for (const { jobId, key, plate, name, what } of looks) {
      const look = {
        id: "look",
        stage: "prove",
        what: `Second look: ${what}`,
        minutes: 10,
        people: 1,
        after: [],
      } as const;
      cars.set(`${jobId} ${key}`, {
        jobId,
        plate,
        short: shortPlate(plate, plates),
        vehicle: name,
        pieces: new Map([["look", look]]),
        to: () => `/jobs/${jobId}/sign#looks`,
      });
    }
    return cars;
  }, [slips, looks]);
}

type Posted = { done?: true; refused?: Refused["refused"] };

/** Arranging the day by hand: what is sent, and what gave way to it. */
export function useArranging({ laid, slips }: Pick<TodayRead, "laid" | "slips">) {
  const fetcher = useFetcher<Posted>();
  const { timeZone } = useMember();
  const [gaveWay, setGaveWay] = useState<string[]>();
  const asked = useRef<TodayRead["laid"]>(undefined);
  const { data, state } = fetcher;
  useEffect(() => {
    if (state !== "idle" || !asked.current) return;
    const words = data?.refused ? [data.refused.message] : changesOf(asked.current, laid, slips, timeZone);
    asked.current = undefined;
    setGaveWay(words);
    announce(words.join(" "));
  }, [state, data, laid, slips, timeZone]);
  return {
    isBusy: state !== "idle",
    gaveWay,
    send: (form: { what: string } & Record<string, unknown>) => {
      asked.current = laid;
      void fetcher.submit(JSON.stringify(form), {
        method: "post",
        action: "/day",
        encType: "application/json",
      });
    },
  };
}

/** What became of the other cars as one thing was held: which are ready later or sooner, in words. */
function changesOf(
  was: TodayRead["laid"],
  now: TodayRead["laid"],
  slips: TodayRead["slips"],
  timeZone: string,
): string[] {
  const plateOf = (id: string) => slips.find((slip) => slip.id === id)?.plate ?? "a second look";
  const when = (iso: string | undefined) =>
    iso === undefined
      ? "nobody knows when"
      : iso > now.closesAt
        ? `${dayOf(iso, timeZone)}, ${clockOf(iso, timeZone)}`
        : clockOf(iso, timeZone);
  const changed = now.ready.flatMap(({ jobId, at, late }) => {
    const before = was.ready.find((each) => each.jobId === jobId);
    if (!before || before.at === at) return [];
    const lateWords = late ? `, ${late.minutes} min late` : "";
    return [`${plateOf(jobId)} is ready ${when(at)}, was ${when(before.at)}${lateWords}.`];
  });
  const isKnown = (lost: LostHold) =>
    was.lostHolds?.some(({ jobId, piece }) => jobId === lost.jobId && piece === lost.piece);
  const lost = (now.lostHolds ?? []).flatMap((each) =>
    isKnown(each) ? [] : [`${plateOf(each.jobId)} couldn't be held so: ${each.because}.`],
  );
  const told = [...lost, ...changed];
  return told.length > 0 ? told : ["Nothing else had to give way."];
}

/** Whether a piece is held, and by whom. */
export const holdOf = (holds: TodayRead["holds"], { jobId, piece }: DaySlip) =>
  holds.find((hold) => hold.jobId === jobId && hold.piece === piece);

/** Why a hold isn't kept, where it isn't. */
export const lostHoldOf = ({ lostHolds }: TodayRead["laid"], { jobId, piece }: DaySlip) =>
  lostHolds?.find((lost) => lost.jobId === jobId && lost.piece === piece)?.because;

const AGAIN_MS = 3000;

/** A day that there was no time to lay well is asked for again soon. */
export function useLaidWell({ isRough, laidAt }: TodayRead["laid"]): void {
  const { revalidate } = useRevalidator();
  // biome-ignore lint/correctness/useExhaustiveDependencies: each rough day is asked for again, once for each time it was laid.
  useEffect(() => {
    if (!isRough) return;
    const timer = setTimeout(() => void revalidate(), AGAIN_MS);
    return () => clearTimeout(timer);
  }, [isRough, laidAt, revalidate]);
}
