import { blewBy } from "../../book/acts/index.ts";
import { FUSE_CAUSES, type FuseCauseId, factsOf, TestOutcome } from "../../book/facts/index.ts";
import { fuseCause } from "../../state/index.ts";
import { type Act, ALONE } from "./act.ts";
import type { Room } from "./room.ts";

/** What the motor's draw says by itself, that first. */
function likeliest({ entries }: Room): FuseCauseId[] {
  const drew = factsOf(entries, TestOutcome).findLast(({ fact }) => fact.test === "motor-draw")?.fact.outcome;
  const all = Object.keys(FUSE_CAUSES) as FuseCauseId[];
  const first = drew === "high" ? "motor" : drew === "within" ? "none-found" : undefined;
  return first ? [first, ...all.filter((each) => each !== first)] : all;
}

/** A fuse that blew is no verdict before somebody has looked for what blew it. */
export function causeActs(room: Room): Act[] {
  if (!fuseCause(room.entries)?.isAsked) return [];
  return [
    {
      id: "find:fuse-cause",
      stage: "find",
      what: "What blew the fuse?",
      why: "A new one goes the same way: most often a stiff motor stands behind it. Measure its draw with a new fuse in, and look along the wire for a chafed place.",
      minutes: 8,
      needs: { ...ALONE, tools: ["clamp meter"] },
      caution: "The fan may start at any moment. Fused leads only.",
      mustChoose: true,
      choices: likeliest(room).map((cause) => ({
        id: cause,
        words: `${FUSE_CAUSES[cause].charAt(0).toUpperCase()}${FUSE_CAUSES[cause].slice(1)}`,
        lines: () => [{ ...blewBy(cause), stage: "find" as const }],
      })),
    },
  ];
}
