import { type RefObject, useEffect, useRef, useState } from "react";
import { SHOWN, type System } from "../../../core/kernel/units/index.ts";
import type { LevelsOf } from "../../../server/subjects/levels/read-levels.ts";
import { useMember } from "../../desk/member.ts";
import type { CutOff } from "../../kept/posting.ts";
import { useOutbox, useOutboxLines } from "../../outbox/OutboxProvider.tsx";
import { howFarBelow } from "./how-far-below.ts";

type Fields = Record<string, string>;

/** What is wrong with a level as it is typed, by field; nothing where it can't be told without a server. */
async function troubleOf(fields: Fields, units: System, knownMm: number | undefined): Promise<Fields> {
  try {
    const [{ checkForm }, { LevelForm }] = await Promise.all([
      import("../../desk/forms.ts"),
      import("./level.form.ts"),
    ]);
    const checked = checkForm(LevelForm, fields);
    if (checked.fields) return checked.fields;
    const below = howFarBelow(checked.value, units, knownMm);
    return "fields" in below ? below.fields : {};
  } catch {
    return {};
  }
}

/** A figure as it was typed, in the shop's unit where it was typed without one. */
const withUnit = (typed: string, unit: string) => (/[a-z]/i.test(typed) ? typed : `${typed} ${unit}`);

/**
 * Keeps a level that no server answered for and sends it as lines are sent, under the id that it has: what reached the server after
 * all is the same level. `posted` is what was sent, `answer` the post's, where it is there; `onKept` is told that the form is free.
 */
export function useKeptLevel(
  vehicleId: string,
  of: Pick<LevelsOf, "liftsMm">,
  posted: RefObject<Fields>,
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
    if (!answer?.isCutOff) return;
    const now = Date.now();
    const at = new Date(now).toISOString();
    // An open field is none.
    const typed = Object.entries(posted.current).filter(([, value]) => value !== "");
    const fields: Fields = { ...Object.fromEntries(typed), at };
    void troubleOf(fields, units, of.liftsMm).then((trouble) => {
      setWrong(trouble);
      if (Object.keys(trouble).length > 0) return;
      const { id = "", missing, height, on } = fields;
      const below = missing
        ? withUnit(missing, SHOWN.volume[units].label)
        : withUnit(height ?? "", SHOWN.length[units].label);
      const text = `level ${below} below the line${on ? `, looked at on ${on}` : ""}`;
      const line = { id, kind: "note" as const, text, stage: "ask" as const, at };
      void outbox.add(vehicleId, [line], now, { kind: "level", vehicleId, fields });
      kept.current();
    });
  }, [answer, of.liftsMm, posted, outbox, units, vehicleId]);
  const waiting = unsent.filter(({ parcel }) => parcel?.kind === "level" && parcel.vehicleId === vehicleId);
  return { wrong, waiting };
}
