import type { Entry } from "../../../core/book/entry/index.ts";
import type { System } from "../../../core/kernel/units/index.ts";
import { answersOf, type Heard, linesHeard } from "../../../core/stages/ask/index.ts";
import { readDistance } from "../../../core/trade/car/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";

/** What is being heard on a job, kept as it is typed and tapped, with the lines that it comes to. */
export function useHeard(jobId: string, entries: readonly Entry[], system: System) {
  const [complaint, setComplaint] = useDraft(`complaint:${jobId}`);
  const [distance, setDistance] = useDraft(`distance:${jobId}`);
  const [codes, setCodes] = useDraft(`codes:${jobId}`);
  const [trouble, setTrouble] = useDraft<Heard["trouble"]>(`said-troubles:${jobId}`, undefined);
  const [happens, setHappens] = useDraft<Heard["happens"]>(`said-happens:${jobId}`, undefined);
  const [gauge, setGauge] = useDraft<Heard["gauge"]>(`saw-gauge:${jobId}`, undefined);
  const [level, setLevel] = useDraft<Heard["level"]>(`saw-level:${jobId}`, undefined);
  const answers = answersOf(entries);
  const distanceKm = distance.trim() === "" ? undefined : readDistance(distance, system);
  const drafts = linesHeard({ complaint, distanceKm, codes, trouble, happens, gauge, level }, answers);
  const clear = () => {
    for (const empty of [setComplaint, setDistance, setCodes]) empty("");
    for (const untouched of [setTrouble, setHappens, setGauge, setLevel]) untouched(undefined);
  };
  return {
    answers,
    drafts,
    clear,
    typed: { complaint, distance, codes },
    distanceKm,
    isDistanceWrong: distance.trim() !== "" && distanceKm === undefined,
    /** What each row of chips shows: tapped now, else as it is in the book. */
    chips: {
      trouble: trouble ?? answers.trouble?.chips ?? [],
      happens: happens ?? answers.happens?.chips ?? [],
      gauge: gauge ?? answers.gauge?.chips[0] ?? "",
      level: level ?? answers["coolant level"]?.chips[0] ?? "",
    },
    set: {
      complaint: setComplaint,
      distance: setDistance,
      codes: setCodes,
      trouble: setTrouble,
      happens: setHappens,
      gauge: setGauge,
      level: setLevel,
    },
  };
}

export type HeardHere = ReturnType<typeof useHeard>;
