import { Wrench } from "lucide-react";
import type { FitLine } from "../../../../core/trade/fit/index.ts";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";

const SHAPES = { same: "pass", stop: "fail", "not-seen": "not-seen" } as const;
const WORDS = { same: "same", adapt: "adapt", stop: "stop", "not-seen": "not measured" } as const;

/** How one attribute comes out: by shape and by word. */
export function FitVerdict({ verdict }: { verdict: FitLine["verdict"] }) {
  return (
    <span className="inline-flex items-center gap-2 self-start font-bold">
      <span aria-hidden="true">
        {verdict === "adapt" ? <Wrench size={20} /> : <VerdictShape verdict={SHAPES[verdict]} />}
      </span>
      {WORDS[verdict]}
    </span>
  );
}
