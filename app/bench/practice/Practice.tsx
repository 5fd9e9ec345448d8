import { BeginRound } from "./BeginRound.tsx";
import { KeptWords } from "./KeptWords.tsx";
import { RoundInHand } from "./RoundInHand.tsx";
import { RoundOver } from "./RoundOver.tsx";
import { usePractice } from "./usePractice.ts";
import { useUnkept } from "./useUnkept.ts";

/** A round: begun, in hand, or over and told. */
export function Practice() {
  const { played, begin, act, help, leave } = usePractice();
  const isOver = played?.round.end !== undefined;
  const unkept = useUnkept(isOver ? played?.setup.id : undefined);
  if (!played || !isOver)
    return (
      <div className="flex flex-col gap-4">
        <KeptWords unkept={unkept} />
        {played ? (
          <RoundInHand key={played.setup.id} played={played} onAct={act} onHelp={help} />
        ) : (
          <BeginRound onBegin={begin} />
        )}
      </div>
    );
  return (
    <RoundOver
      key={played.setup.id}
      played={played}
      unkept={unkept}
      onAgain={() => begin(played.setup.level, "")}
      onLeave={leave}
    />
  );
}
