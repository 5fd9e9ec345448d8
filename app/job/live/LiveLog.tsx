import { useState } from "react";
import { useRevalidator } from "react-router";
import { v4 as newId } from "uuid";
import { traceSpecOf } from "../../../core/trade/car/index.ts";
import type { LiveOfJob } from "../../../server/books/live/live-of-job.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { announce } from "../../ui/announcer.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { clockOf } from "../../ui/dates.ts";
import { TextField } from "../../ui/Field.tsx";
import { Stood, stoodHours } from "../prove/Stood.tsx";
import { useJob } from "../stage/context.ts";
import { LiveRunning } from "./LiveRunning.tsx";
import type { LiveSent } from "./live.form.ts";
import { tellLive, useLiveOfJob } from "./useLive.ts";

const RATES = ["2", "4", "5"];

/** A log recorded off the car's diagnostic port as the engine runs: begun here, watched by whoever looks, kept or thrown away. */
export function LiveLog() {
  const { page, mayBook } = useJob();
  const { revalidate } = useRevalidator();
  const { of, again } = useLiveOfJob(page.job.id);
  const [trouble, setTrouble] = useState("");
  const spec = page.card ? traceSpecOf(page.card) : undefined;
  const say = async (form: LiveSent): Promise<boolean> => {
    const refused = await tellLive(page.job.id, form);
    setTrouble(refused ?? "");
    if (refused) announce(refused);
    return !refused;
  };
  const over = () => {
    again();
    void revalidate();
  };
  const [log] = of?.logs ?? [];
  return (
    <section aria-labelledby="live" className="flex flex-col gap-4">
      <h3 id="live" className="text-xl">
        Live log
      </h3>
      {trouble && (
        <p role="alert" className="border-ink border-l-4 pl-3 font-bold">
          {trouble}
        </p>
      )}
      {!of ? (
        <p role="status">It is being asked what is recorded.</p>
      ) : !spec ? (
        <p>This vehicle has no cooling card: there is nothing to hold a log against.</p>
      ) : log ? (
        <LiveRunning key={log.id} logId={log.id} spec={spec} onSay={say} onOver={over} />
      ) : (
        <Begin of={of} mayBook={mayBook} onBegin={async (form) => (await say(form)) && again()} />
      )}
      {of && of.logs.length > 1 && (
        <p className="text-ink-2">
          {of.logs.length - 1} more of this car wait to be kept or thrown away, the last of{" "}
          <Clock iso={of.logs[1]?.startedAt} />.
        </p>
      )}
    </section>
  );
}

function Clock({ iso }: { iso: string | undefined }) {
  const { timeZone } = useJob();
  return <span className="figure">{iso ? clockOf(iso, timeZone) : ""}</span>;
}

function Begin({
  of,
  mayBook,
  onBegin,
}: {
  of: LiveOfJob;
  mayBook: boolean;
  onBegin: (form: LiveSent) => void;
}) {
  const { page } = useJob();
  const [stood, setStood] = useState("");
  const [rate, setRate] = useState("4");
  const [standIn, setStandIn] = useDraft(`stand-in:${page.job.id}`);
  const [id] = useState(() => newId());
  if (!of.hasAdapter)
    return (
      <p>
        The shop has no diagnostic adapter yet: whoever leads it says where one is, on Shop. A logger's own
        file can be dropped in under Warm-up log meanwhile.
      </p>
    );
  const restedH = stoodHours(stood);
  const opening = of.standIn === undefined ? undefined : standIn || of.standIn;
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        onBegin({
          what: "start",
          id,
          perSecond: Number(rate),
          ...(restedH !== undefined && { restedH }),
          ...(opening && { opening }),
        });
      }}
    >
      <p>
        Plug the adapter in, ignition on, then begin: coolant and revs are read several times a second, and
        what you hear and feel is said beside them. It goes on if this page is closed.
      </p>
      <Stood value={stood} onChange={setStood} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="font-bold">Readings a second</p>
        <ChipsOne label="Readings a second" options={RATES} value={rate} onChange={setRate} />
      </div>
      {of.standIn !== undefined && (
        <TextField
          label="What stands in for the car"
          value={standIn}
          placeholder={of.standIn}
          maxLength={190}
          hint="This shop's adapter is a stand-in: car, then faults, script and pace, as in “car courier faults motor pace 20”."
          onChange={(event) => setStandIn(event.target.value)}
        />
      )}
      <Button type="submit" weight="main" className="self-start" disabled={!mayBook}>
        Begin the log
      </Button>
    </form>
  );
}
