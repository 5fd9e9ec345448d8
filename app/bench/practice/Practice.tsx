import { BeginRound } from "./BeginRound.tsx";
import { RoundInHand } from "./RoundInHand.tsx";
import { RoundOver } from "./RoundOver.tsx";
import { usePractice } from "./usePractice.ts";

/** A round: begun, in hand, or over and told. */
export function Practice() {
  const { played, begin, act, help, leave } = usePractice();
  if (!played) return <BeginRound onBegin={begin} />;
  if (played.round.end)
    return (
      <RoundOver
        key={played.setup.id}
        played={played}
        onAgain={() => begin(played.setup.level, "")}
        onLeave={leave}
      />
    );
  return <RoundInHand key={played.setup.id} played={played} onAct={act} onHelp={help} />;
}
