import { useEffect, useMemo, useRef, useState } from "react";
import { useFetcher } from "react-router";
import type { DaySlip, Piece } from "../../core/stages/day/index.ts";
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
  return changed.length > 0 ? changed : ["Nothing else had to give way."];
}

/** Whether a piece is held, and by whom. */
export const holdOf = (holds: TodayRead["holds"], { jobId, piece }: DaySlip) =>
  holds.find((hold) => hold.jobId === jobId && hold.piece === piece);
