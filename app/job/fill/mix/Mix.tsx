import { measuredMix, poured } from "../../../../core/book/acts/index.ts";
import { format, type System } from "../../../../core/kernel/units/index.ts";
import { type MixAdvice, type MixDoes, mixAdvice } from "../../../../core/stages/fill/index.ts";
import { FLUSHED_SHARE } from "../../../../core/state/index.ts";
import { useMember } from "../../../desk/member.ts";
import { useDraft } from "../../../drafts/useDraft.ts";
import { Button } from "../../../ui/Button.tsx";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";
import { useJob } from "../../stage/context.ts";
import { FreezeCurve } from "./FreezeCurve.tsx";
import { MixForm } from "./MixForm.tsx";
import { askedOf, EMPTY_MIX, type MixFields, readMix } from "./mix-fields.ts";

const MARK = { same: "pass", "shortens-life": "not-seen", "do-not-mix": "fail" } as const;
const SAID = {
  same: "The same kind",
  "shortens-life": "Not the same kind: it shortens its life",
  "do-not-mix": "Do not mix them",
} as const;
/** A share that may be off by more than that is told with its range. */
const WIDE = 0.1;

const told = (system: System) => ({
  litres: (value: number) => format(value, "volume", system),
  share: (value: number) => format(value, "fraction", system),
  celsius: (value: number) => format(value, "temperature", system),
});

/** What is in it, by its book and by the instrument, with what that is against. */
function InIt({ advice, isOld }: { advice: MixAdvice; isOld: boolean }) {
  const { page, system } = useJob();
  const { litres, share } = told(system);
  const { state } = advice;
  const { low, likely, high } = state.fraction;
  return (
    <>
      <p>
        In it, by the book: <span className="figure font-bold">{litres(state.litres.likely)}</span> at{" "}
        <span className="figure font-bold">{share(likely)}</span>
        {high - low > WIDE && `, which may be ${share(low)} to ${share(high)}: nobody has read it`}.
      </p>
      {isOld && (
        <p className="border-ink border-l-4 pl-3">
          What the instrument read was before the last litre moved: read it again.
        </p>
      )}
      {state.isOverdrawn && page.card && (
        <p className="border-ink border-l-4 pl-3 font-bold">
          More came out than was in it by its card, which says {litres(page.card.capacityL)}: one of the two
          is wrong. Put the card or the book right first.
        </p>
      )}
    </>
  );
}

/** What goes with what, by kind, approval and school. */
function GoesWith({ advice }: { advice: MixAdvice }) {
  const { system } = useJob();
  const { litres, share } = told(system);
  const { mixed, approval, unnamedL } = advice;
  return (
    <>
      {unnamedL !== undefined && (
        <p>
          {litres(unnamedL)} in it, at most, was poured without a name: nobody knows what that mixes with.
        </p>
      )}
      {advice.isFlushedForAnother && (
        <p className="text-ink-2">
          Flushed: of another kind no more than {share(FLUSHED_SHARE)} is left, by the litres that moved.
        </p>
      )}
      {mixed && (
        <p className="flex items-start gap-2">
          <VerdictShape verdict={MARK[mixed.verdict]} />
          <span>
            <span className="font-bold">{SAID[mixed.verdict]}.</span> {mixed.because}
          </span>
        </p>
      )}
      {approval && (
        <p className="flex items-start gap-2">
          <VerdictShape verdict={approval.verdict} />
          <span>{approval.because}</span>
        </p>
      )}
    </>
  );
}

/** What is to be done where nothing is poured. */
function Otherwise({ does, advice }: { does: Exclude<MixDoes, { does: "pour" }>; advice: MixAdvice }) {
  const { litres, share } = told(useJob().system);
  switch (does.does) {
    case "flush":
      return (
        <p className="text-xl" data-mix>
          Flush it first, and write down the litres: water in, water out, until no more than{" "}
          {share(FLUSHED_SHARE)} of it is left. Until then there is nothing to pour.
        </p>
      );
    case "measure":
      return (
        <p className="text-xl" data-mix>
          How much to pour can't be said yet: {does.because}. Write it down under litres, even if it is read
          off the pan.
        </p>
      );
    case "nothing":
      return (
        <p className="text-xl" data-mix>
          It is full, at {share(advice.inItFraction)}: nothing more to mix.
        </p>
      );
    case "replace":
      return (
        <p className="text-xl" data-mix>
          It is full, at {share(advice.inItFraction)}. Draw off {litres(does.drawL)} and put in{" "}
          {does.productL > 0 ? `${litres(does.productL)} of it` : `${litres(does.waterL)} of distilled water`}
          : {share(advice.target)}.
        </p>
      );
    case "cannot":
      return <p className="border-ink border-l-4 pl-3 font-bold">{does.because}</p>;
  }
}

type Pouring = Extract<MixDoes, { does: "pour" }>;

/** How much to pour, what comes of it, and the button that books it. */
function Pour({ does, advice, fields }: { does: Pouring; advice: MixAdvice; fields: MixFields }) {
  const { page, book, mayBook, system } = useJob();
  const { litres, share, celsius } = told(system);
  const read = readMix(fields, system, useMember());
  const { productL, waterL, swellsL, belowLineL, fills } = does;
  const product = page.card?.coolantProduct;
  const pour = () =>
    book(
      poured(productL + waterL, {
        fraction: (productL * (read.product ?? 1)) / (productL + waterL),
        base: fields.base,
        ...(advice.can.kind && { kind: advice.can.kind }),
        ...(advice.can.product && { product: advice.can.product }),
      }),
    );
  return (
    <div className="grid gap-6 xl:grid-cols-2">
      <div className="flex flex-col gap-2" aria-live="polite">
        <p className="text-xl" data-mix>
          Pour {litres(productL)} of it and {litres(waterL)} of distilled water.
        </p>
        <p>
          That makes {share(does.fraction)}: freezes at {celsius(does.freezeC)}
          {does.isColdEnough ? "" : ", not cold enough"}, boils at {celsius(does.boilsC)} under its cap.
        </p>
        {fills !== 1 && (
          <p className="font-bold">
            {share(advice.target)} can't be reached with what stayed:{" "}
            {fills === undefined ? "drain more of it first." : `${fills} fills in all, drained between.`}
          </p>
        )}
        <p className={belowLineL === undefined ? "text-ink-2" : "font-bold"}>
          Hot it swells by {litres(swellsL)}
          {read.roomL === undefined
            ? ": the tank needs that room."
            : belowLineL === undefined
              ? `: ${litres(read.roomL)} of room is enough.`
              : `, and there is room for ${litres(read.roomL)}: fill it cold to ${litres(belowLineL)} below the line, or it pushes coolant out.`}
        </p>
        <p className="text-ink-2">
          Only distilled or de-ionised water: lime and salts of the tap settle where it is hottest and eat the
          inhibitors.
        </p>
        {advice.school ? (
          <p className="flex items-start gap-2">
            <VerdictShape verdict={advice.school.verdict} />
            <span>{advice.school.because}</span>
          </p>
        ) : (
          <p className="text-ink-2">
            One school takes the maker's only{product && ` (here ${product})`}, one an all-makes coolant once
            it is fully flushed, one tops up with the same label. Colour says nothing.
          </p>
        )}
        <Button className="self-start" disabled={!mayBook} onClick={pour}>
          It is in: book {litres(productL + waterL)}
        </Button>
      </div>
      <FreezeCurve
        base={fields.base}
        system={system}
        coldestC={read.coldestC}
        points={[
          { name: "in it", fraction: advice.inItFraction },
          { name: "then", fraction: does.fraction },
        ]}
      />
    </div>
  );
}

/** How much of what goes in, and what comes of it: strength, freezing and boiling point; with what it may not be mixed. */
export function Mix() {
  const { page, entries, book, system } = useJob();
  const shop = useMember();
  const [kept, setFields] = useDraft<MixFields>(`mix:${page.job.id}`, EMPTY_MIX);
  const moves = entries.filter(({ account, kind }) => account === "coolant" && kind === "movement").length;
  const isOld = Boolean(kept.reads) && kept.readsAfter !== moves;
  const fields = { ...EMPTY_MIX, ...kept, ...(isOld ? { reads: "" } : {}) };
  const { card } = page;
  if (!card) return null;
  const read = readMix(fields, system, shop);
  const { measured } = read;
  const advice = mixAdvice(entries, card, askedOf(fields, read), page.coolants);
  const { does } = advice;
  const bookReading = () => {
    if (measured !== undefined && book(measuredMix(measured, fields.base, fields.instrument)))
      setFields({ ...fields, reads: "", readsAfter: -1 });
  };
  return (
    <section aria-labelledby="mix" className="flex flex-col gap-3">
      <h3 id="mix" className="text-xl">
        What to mix
      </h3>
      <InIt advice={advice} isOld={isOld} />
      <MixForm
        fields={fields}
        read={read}
        set={(next) => setFields({ ...next, readsAfter: next.reads === "" ? -1 : moves })}
        onBookReading={measured === undefined ? undefined : bookReading}
      />
      <GoesWith advice={advice} />
      {does.does === "pour" ? (
        <Pour does={does} advice={advice} fields={fields} />
      ) : (
        <Otherwise does={does} advice={advice} />
      )}
    </section>
  );
}
