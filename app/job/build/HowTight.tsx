import {
  BOLT_CLASSES,
  type BoltClass,
  generalTorque,
  TIGHTENED_INTO,
  type TightenedInto,
  TORQUE_THREADS_MM,
} from "../../../core/fit/index.ts";
import { balance } from "../../../core/ledger/index.ts";
import { format } from "../../../core/units/index.ts";
import { useDraft } from "../../shell/drafts/useDraft.ts";
import { ChipsOne } from "../../ui/Chips.tsx";
import { useJob } from "../context.ts";

const THREAD = /^m(\d+)(?:\D|$)/i;

/** How tight a bolt goes: general figures, said to be that, for the threads that came out of this car first. */
export function HowTight() {
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
          General figures{here.size > 0 ? " for the threads out of this car" : ""}, lightly oiled; the vehicle
          maker's figure comes first.
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
