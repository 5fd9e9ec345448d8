import { pushedApart } from "../../core/kernel/drawing/index.ts";
import type { Frame } from "./frame.ts";
import { Stroke, Word } from "./marks.tsx";

const APART = 18;

/** What lies at the right edge by its name, each led to where there is room for it. */
export function EdgeLabels({
  frame,
  labels,
}: {
  frame: Frame;
  labels: readonly { y: number; text: string }[];
}) {
  return pushedApart(labels, APART).map(({ y, at, text }) => (
    <g key={text}>
      <Stroke from={[frame.right, y]} to={[frame.right + 10, at]} width={1} className="stroke-edge" />
      <Word at={[frame.right + 14, at + 5]}>{text}</Word>
    </g>
  ));
}
