import { useEffect, useState } from "react";
import { v4 as newId } from "uuid";
import { loggedWarmUp } from "../../../core/book/acts/index.ts";
import type { WarmUpLog } from "../../../core/book/facts/index.ts";
import { restedHours } from "../../../core/stages/find/index.ts";
import { decodeLog, MOST_CHARACTERS, type TraceSpec } from "../../../core/trade/trace/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { useOutbox, useOutboxLines } from "../../outbox/OutboxProvider.tsx";
import type { Parcel } from "../../outbox/outbox.ts";
import { useJob, useWaiting } from "../stage/context.ts";
import { stoodAnswer, stoodHours } from "./Stood.tsx";
import { useJudge } from "./useJudge.ts";

export interface ChosenLog {
  id: string;
  name: string;
  bytes: Uint8Array<ArrayBuffer>;
  isBooked: boolean;
  /** How long the engine had stood, as somebody answered or the book knows. */
  stood: string;
}

const MEGA = 1e6;

/** The log in hand: dropped here and not booked yet, or one of the book's; judged as it comes, kept until it is booked. */
export function useChosenLog(spec: TraceSpec | undefined, booked: readonly WarmUpLog[]) {
  const { page, entries, book } = useJob();
  const waiting = useWaiting();
  const { unsent } = useOutboxLines();
  const outbox = useOutbox();
  const { judging, judge, forget } = useJudge(spec);
  // A log that is chosen and not booked survives going elsewhere.
  const [draft, setDraft] = useDraft<ChosenLog | undefined>(`log:${page.job.id}`, undefined);
  const [chosen, setChosen] = useState<ChosenLog>();
  const [trouble, setTrouble] = useState("");
  const show = (log: ChosenLog) => {
    setTrouble("");
    setChosen(log);
    if (!log.isBooked) setDraft(log);
    void judge(decodeLog(log.bytes), stoodHours(log.stood));
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    forget();
    setChosen(undefined);
    if (file.size > MOST_CHARACTERS)
      return setTrouble(
        `“${file.name}” is ${Math.round(file.size / MEGA)} MB; at most ${MOST_CHARACTERS / MEGA} MB can be read. Export one warm-up, or fewer columns.`,
      );
    show({
      id: newId(),
      name: file.name.slice(0, 200),
      bytes: new Uint8Array(await file.arrayBuffer()),
      isBooked: false,
      stood: stoodAnswer(restedHours(entries, new Date().toISOString())),
    });
  };
  const open = async ({ logId, log: name, restedH }: WarmUpLog) => {
    forget();
    const response = await fetch(`/jobs/${page.job.id}/logs/${logId}/as-handed-in.csv`).catch(
      () => undefined,
    );
    if (!response?.ok)
      return setTrouble(`“${name}” could not be fetched. Try again when the server answers.`);
    show({
      id: logId,
      name,
      bytes: new Uint8Array(await response.arrayBuffer()),
      isBooked: true,
      stood: stoodAnswer(restedH),
    });
  };
  const last = booked.at(-1);
  const lastId = last?.logId;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the last booked log is shown by itself, once
  useEffect(() => {
    if (last && !chosen && !draft && spec) void open(last);
  }, [lastId]);
  const draftId = draft?.id;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a log that was left unbooked is shown by itself, once
  useEffect(() => {
    if (draft && spec && chosen?.id !== draft.id) show(draft);
  }, [draftId]);
  const refused = unsent.find(({ entry }) => entry.id === chosen?.id)?.refused;
  const isWaiting = chosen !== undefined && waiting.has(chosen.id);
  const isBooked = Boolean(chosen && (chosen.isBooked || booked.some(({ logId }) => logId === chosen.id)));
  const log = judging.state === "done" ? judging.log : undefined;
  const bookIt = () => {
    if (!chosen) return;
    const { id, name, bytes } = chosen;
    const restedH = stoodHours(chosen.stood);
    const parcel: Parcel = { kind: "log", name, bytes, ...(restedH === undefined ? {} : { restedH }) };
    if (refused) void outbox.discard(id);
    if (book(loggedWarmUp(name), [id], parcel)) setDraft(undefined);
  };
  const putAway = () => {
    forget();
    setChosen(undefined);
    setDraft(undefined);
    if (last) void open(last);
  };
  const hasLog = Boolean(log?.analysis && chosen);
  return {
    ...{ chosen, judging, log, trouble, refused, isWaiting, isBooked, hasLog },
    /** Room for the booked log that is on its way, so that nothing jumps when it comes. */
    isComing: Boolean(
      lastId &&
        spec &&
        (!chosen || chosen.isBooked) &&
        !hasLog &&
        !log &&
        !trouble &&
        judging.state !== "broken",
    ),
    canBook: Boolean(log?.analysis && !isBooked && (!isWaiting || refused)),
    ...{ take, open, show, bookIt, putAway },
  };
}
