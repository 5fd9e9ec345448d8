import { useState } from "react";
import { jumperFuse, motorDraw } from "../../../../core/electrics/index.ts";
import { useJob } from "../../context.ts";
import type { KnownFind } from "../useFind.ts";
import { FigureField, figure, Instrument, worked } from "./Instrument.tsx";

export function FuseAndJumper({ find }: { find: KnownFind }) {
  const { book } = useJob();
  const [amps, setAmps] = useState("");
  const [fuse, setFuse] = useState("");
  const [wire, setWire] = useState("");
  const outcome = worked(amps.trim() !== "" && fuse.trim() !== "", () =>
    motorDraw({ amps: figure(amps), fuseA: figure(fuse), ...(wire.trim() ? { wireMm2: figure(wire) } : {}) }),
  );
  const jumper = worked(amps.trim() !== "", () => jumperFuse(figure(amps)));
  const result = outcome && "result" in outcome ? outcome.result : undefined;
  return (
    <Instrument
      outcome={outcome}
      isBookable={find.mayBook}
      figures={
        jumper && (
          <p className="font-bold">
            {"result" in jumper ? `Fuse for the jumper: ${jumper.result} A.` : jumper.trouble}
          </p>
        )
      }
      onBook={() =>
        result &&
        book({
          kind: "test",
          item: "motor's draw against fuse and wire",
          text: result.because,
          data: { verdict: result.verdict },
        })
      }
    >
      <FigureField label="Motor draws" unit="A" value={amps} onChange={setAmps} />
      <FigureField label="Its fuse" unit="A" value={fuse} onChange={setFuse} />
      <FigureField label="Its wire, if known" unit="mm²" value={wire} onChange={setWire} />
    </Instrument>
  );
}
