import { type RefObject, useEffect, useRef, useState } from "react";
import { SHOWN } from "../../../core/kernel/units/index.ts";
import { useMember } from "../../desk/member.ts";
import type { CutOff } from "../../kept/posting.ts";
import { useOutbox, useOutboxLines } from "../../outbox/OutboxProvider.tsx";

type Fields = Record<string, string>;

/** What is wrong with a level as it is typed, by field; nothing where it can't be told without a server. */
async function troubleOf(fields: Fields): Promise<Fields> {
  try {
    const [{ checkForm }, { LevelForm }] = await Promise.all([
      import("../../desk/forms.ts"),
      import("./level.form.ts"),
    ]);
    return checkForm(LevelForm, fields).fields ?? {};
  } catch {
    return {};
  }
}

/** Only what was filled in: an open field is none. */
const typedIn = (form: HTMLFormElement): Fields =>
  Object.fromEntries(
    [...new FormData(form)].flatMap(([name, value]) =>
      typeof value === "string" && value !== "" ? [[name, value]] : [],
    ),
  );

/**
 * Keeps a level that no server answered for and sends it as lines are sent, under the id that it has: what reached the server after
 * all is the same level. `answer` is the post's, where it is there; `onKept` is told that the form is free.
 */
export function useKeptLevel(
  vehicleId: string,
  form: RefObject<HTMLFormElement | null>,
  answer: Partial<CutOff> | undefined,
  onKept: () => void,
) {
  const outbox = useOutbox();
  const { units } = useMember();
  const { unsent } = useOutboxLines();
  const [wrong, setWrong] = useState<Fields>({});
  const kept = useRef(onKept);
  kept.current = onKept;
  useEffect(() => {
    setWrong({});
    if (!answer?.isCutOff || !form.current) return;
    const now = Date.now();
    const at = new Date(now).toISOString();
    const fields: Fields = { ...typedIn(form.current), at };
    void troubleOf(fields).then((trouble) => {
      setWrong(trouble);
      if (Object.keys(trouble).length > 0) return;
      const { id = "", missing, height, on } = fields;
      const below = missing
        ? `${missing} ${SHOWN.volume[units].label}`
        : `${height ?? "?"} ${SHOWN.length[units].label}`;
      const text = `level ${below} below the line${on ? `, looked at on ${on}` : ""}`;
      const line = { id, kind: "note" as const, text, stage: "ask" as const, at };
      void outbox.add(vehicleId, [line], now, { kind: "level", vehicleId, fields });
      kept.current();
    });
  }, [answer, form, outbox, units, vehicleId]);
  const waiting = unsent.filter(({ parcel }) => parcel?.kind === "level" && parcel.vehicleId === vehicleId);
  return { wrong, waiting };
}
