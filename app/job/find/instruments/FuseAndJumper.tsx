import { testedOwn } from "../../../../core/book/acts/index.ts";
import { jumperFuse, motorDraw } from "../../../../core/trade/electrics/index.ts";
import { FigureField, figure, Instrument, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import { useJob } from "../../stage/context.ts";
import type { KnownFind } from "../belief/useFind.ts";

export function FuseAndJumper({ find }: { find: KnownFind }) {
  const { book } = useJob();
  const { fields, put, clear } = useFields("fuse", { amps: "", fuse: "", wire: "" });
  const { amps, fuse, wire } = fields;
  const outcome = worked(amps.trim() !== "" && fuse.trim() !== "", () =>
    motorDraw({ amps: figure(amps), fuseA: figure(fuse), ...(wire.trim() ? { wireMm2: figure(wire) } : {}) }),
  );
  const jumper = worked(amps.trim() !== "", () => jumperFuse(figure(amps)));
  const result = outcome && "result" in outcome ? outcome.result : undefined;
  return (
    <Instrument
      outcome={outcome}
      isBookable={find.mayBook}
      onClear={clear}
      figures={
        jumper && (
          <p className="font-bold">
            {"result" in jumper ? `Fuse for the jumper: ${jumper.result} A.` : jumper.trouble}
          </p>
        )
      }
      onBook={() =>
        result && book(testedOwn("motor's draw against fuse and wire", result.verdict, result.because))
      }
    >
      <FigureField label="Motor draws" unit="A" value={amps} onChange={put("amps")} />
      <FigureField label="Its fuse" unit="A" value={fuse} onChange={put("fuse")} />
      <FigureField label="Its wire, if known" unit="mm²" value={wire} onChange={put("wire")} />
    </Instrument>
  );
}
