import { knownTorque } from "../../../core/book/acts/index.ts";
import { factsOf, KnownTorque } from "../../../core/book/facts/index.ts";
import { balance } from "../../../core/book/out/index.ts";
import { typedFigure } from "../../../core/kernel/csv/index.ts";
import { format, fromShown, SHOWN, type System } from "../../../core/kernel/units/index.ts";
import {
  BOLT_CLASSES,
  type BoltClass,
  generalTorque,
  TIGHTENED_INTO,
  type TightenedInto,
  TORQUE_THREADS_MM,
} from "../../../core/trade/fit/index.ts";
import type { Measured } from "../../../server/subjects/vehicles/read-measured.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";

/** A torque as typed, bare in the shop's unit, N·m; nothing where it is none. */
function torqueTyped(text: string, system: System): number | undefined {
  const bare = typedFigure(text);
  if (bare === undefined) return undefined;
  const nm = fromShown(bare, "torque", system);
  return nm >= 0.5 && nm <= 400 ? nm : undefined;
}

const THREAD = /^m(\d+)(?:\D|$)/i;

/** How tight a bolt goes: general figures, said to be that, for the threads that came out of this car first. */
/** What the vehicle's maker says of this car, kept with its books. */
function OwnTorques({ torques }: { torques: Measured["torques"] }) {
  const { entries, page, system, book, mayBook } = useJob();
  const [what, setWhat] = useDraft(`torque-of:${page.job.id}`);
  const [figure, setFigure] = useDraft(`torque:${page.job.id}`);
  const here = factsOf(entries, KnownTorque).map(({ fact, entry }) => ({
    what: entry.item ?? "",
    nm: fact.nm,
  }));
  const known = new Map([...torques, ...here].map((each) => [each.what.toLowerCase(), each]));
  const nm = torqueTyped(figure, system);
  const keep = () => {
    const item = what.trim().toLowerCase();
    if (!item || nm === undefined) return;
    book(knownTorque(item, nm));
    setWhat("");
    setFigure("");
  };
  return (
    <section aria-labelledby="own-torques" className="flex flex-col gap-3">
      <h4 id="own-torques" className="font-bold text-lg">
        By this vehicle's maker
      </h4>
      {known.size === 0 ? (
        <p className="text-ink-2">None written down yet.</p>
      ) : (
        <ul className="max-w-md border-ink border-t-2">
          {[...known.values()].map((each) => (
            <li key={each.what} className="flex justify-between border-rule border-b py-2">
              <span>{each.what}</span>
              <span className="figure text-xl">{format(each.nm, "torque", system)}</span>
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-48 flex-1">
          <TextField
            label="What is tightened"
            placeholder="radiator bracket"
            maxLength={60}
            value={what}
            onChange={(event) => setWhat(event.target.value)}
          />
        </div>
        <div className="w-40">
          <TextField
            label="Torque"
            unit={SHOWN.torque[system].label}
            inputMode="decimal"
            value={figure}
            error={figure.trim() && nm === undefined ? "From 0.5 to 400 N·m." : undefined}
            onChange={(event) => setFigure(event.target.value)}
          />
        </div>
        <Button onClick={keep} disabled={!mayBook || !what.trim() || nm === undefined}>
          Keep it
        </Button>
      </div>
    </section>
  );
}

export function HowTight({ torques }: { torques: Measured["torques"] }) {
  const { entries, page, system } = useJob();
  const [strength, setStrength] = useDraft<BoltClass>(`class:${page.job.id}`, "8.8");
  const [into, setInto] = useDraft<TightenedInto>(`into:${page.job.id}`, "steel");
  const here = new Set(
    balance(entries).flatMap(({ account, item }) => {
      const thread = account === "fastener" ? Number(THREAD.exec(item)?.[1]) : Number.NaN;
      return TORQUE_THREADS_MM.includes(thread) ? [thread] : [];
    }),
  );
  const threads = here.size > 0 ? [...here].sort((a, b) => a - b) : TORQUE_THREADS_MM;
  return (
    <div className="flex flex-col gap-4">
      <OwnTorques torques={torques} />
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        <div>
          <p className="mb-1 font-bold">Bolt class, on its head</p>
          <ChipsOne
            label="Bolt class, on its head"
            options={BOLT_CLASSES}
            value={strength}
            onChange={(name) => setStrength(BOLT_CLASSES.find((each) => each === name) ?? strength)}
          />
        </div>
        <div>
          <p className="mb-1 font-bold">Into</p>
          <ChipsOne
            label="Into"
            options={TIGHTENED_INTO}
            value={into}
            onChange={(name) => setInto(TIGHTENED_INTO.find((each) => each === name) ?? into)}
          />
        </div>
      </div>
      <table className="max-w-md">
        <caption className="mb-1 text-left text-ink-2">
          General figures{here.size > 0 ? " for the threads out of this car" : ""}, coarse and lightly oiled;
          the vehicle maker's figure comes first.
        </caption>
        <thead>
          <tr className="border-ink border-b-2 text-left">
            <th scope="col" className="py-1 pr-4">
              Thread
            </th>
            <th scope="col" className="py-1 text-right">
              Tightened to
            </th>
          </tr>
        </thead>
        <tbody>
          {threads.map((diameterMm) => {
            const torque = generalTorque({ diameterMm, strength, into });
            return (
              <tr key={diameterMm} className="border-rule border-b">
                <th scope="row" className="py-2 pr-4 text-left">
                  M{diameterMm}
                </th>
                <td className="figure py-2 text-right text-xl">
                  {"nm" in torque ? format(torque.nm, "torque", system) : "snug only"}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
