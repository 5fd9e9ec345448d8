import { measuredMix, poured } from "../../../../core/book/acts/index.ts";
import { format } from "../../../../core/kernel/units/index.ts";
import { coolantState, FLUSHED_SHARE, othersIn } from "../../../../core/state/index.ts";
import {
  boilMarginC,
  bySchool,
  compatibility,
  correct,
  expansionL,
  KINDS,
  type Refill,
  refill,
} from "../../../../core/trade/coolant/index.ts";
import { useMember } from "../../../desk/member.ts";
import { useDraft } from "../../../drafts/useDraft.ts";
import { Button } from "../../../ui/Button.tsx";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";
import { worked } from "../../instrument/Instrument.tsx";
import { useJob } from "../../stage/context.ts";
import { FreezeCurve } from "./FreezeCurve.tsx";
import { MixForm } from "./MixForm.tsx";
import { EMPTY_MIX, type MixFields, readMix } from "./mix-fields.ts";
import { whatGoesIn } from "./what-goes-in.ts";

const MARK = { same: "pass", "shortens-life": "not-seen", "do-not-mix": "fail" } as const;
const SAID = {
  same: "The same kind",
  "shortens-life": "Not the same kind: it shortens its life",
  "do-not-mix": "Do not mix them",
} as const;
const WORST = ["do-not-mix", "shortens-life", "same"];
/** Nobody drains and fills more often than that: then more has to come out at once. */
const MOST_FILLS = 6;
const COLD_C = 20;
/** Less room than that is full, as near as jugs can tell; a strength so near is right. */
const LEAST_ROOM_L = 0.1;
const NEAR = 0.015;
const HOT_C = 95;

/** How much of what goes in, and what comes of it: strength, freezing and boiling point; with what it may not be mixed. */
export function Mix() {
  const { page, entries, book, mayBook, system } = useJob();
  const shop = useMember();
  const [kept, setFields] = useDraft<MixFields>(`mix:${page.job.id}`, EMPTY_MIX);
  const moves = entries.filter(({ account, kind }) => account === "coolant" && kind === "movement").length;
  const isOld = Boolean(kept.reads) && kept.readsAfter !== moves;
  const fields = { ...EMPTY_MIX, ...kept, ...(isOld ? { reads: "" } : {}) };
  const { card } = page;
  if (!card) return null;
  const { targetFraction, capGaugeKpa } = card;
  const read = readMix(fields, system, shop);
  const target = read.target ?? targetFraction;
  const state = coolantState(entries, card);
  const { capacityL } = state;
  const inItL = Math.min(capacityL, state.litres.likely);
  // An instrument reads what is in it now, whatever it was mixed of.
  const inItFraction = read.measured ?? state.fraction.likely;
  const isFull = capacityL - inItL < LEAST_ROOM_L;
  const product = { base: fields.base, fraction: read.product ?? 1 };
  const outcome = worked(true, () =>
    refill({
      capacityL,
      remainingL: inItL,
      remainingFraction: inItFraction,
      targetFraction: target,
      product,
    }),
  );
  const done = outcome && "result" in outcome ? outcome.result : undefined;
  const litres = (value: number) => format(value, "volume", system);
  const share = (value: number) => format(value, "fraction", system);
  const celsius = (value: number) => format(value, "temperature", system);
  const kind = KINDS.find((each) => each === card.coolantKind);
  const can = whatGoesIn(fields.label, read.kind, card, page.coolants);
  const goesIn = can.kind;
  const others = goesIn ? othersIn(state, goesIn) : [];
  const isFlushed = others.length === 0;
  // Of what is in it, what it can least be mixed with counts.
  const worst = others
    .flatMap((each) => (each.kind !== "unknown" && goesIn ? [compatibility(each.kind, goesIn)] : []))
    .sort((a, b) => WORST.indexOf(a.verdict) - WORST.indexOf(b.verdict))[0];
  const mixed = worst ?? (kind && goesIn ? compatibility(kind, goesIn) : undefined);
  const unnamed = others.find((each) => each.kind === "unknown");
  const mayNotMix = !isFlushed && mixed?.verdict === "do-not-mix";
  const put =
    isFull && !mayNotMix && Math.abs(inItFraction - target) > NEAR
      ? worked(true, () =>
          correct({ capacityL, measuredFraction: inItFraction, targetFraction: target, product }),
        )
      : undefined;
  const school =
    kind && goesIn && fields.school
      ? bySchool({
          school: fields.school,
          takes: kind,
          goesIn,
          isCardsLabel: can.isCardsLabel,
          isFlushed,
        })
      : undefined;
  const swellsL = expansionL({
    base: fields.base,
    fraction: done?.fraction ?? target,
    litres: capacityL,
    fromC: COLD_C,
    toC: HOT_C,
  });
  const pour = ({ productL, waterL }: Refill) => {
    const litres = productL + waterL;
    book(
      poured(litres, {
        fraction: (productL * product.fraction) / litres,
        base: fields.base,
        ...(goesIn && { kind: goesIn }),
        ...(can.product && { product: can.product }),
      }),
    );
  };
  return (
    <section aria-labelledby="mix" className="flex flex-col gap-3">
      <h3 id="mix" className="text-xl">
        What to mix
      </h3>
      <p>
        In it, by the book: <span className="figure font-bold">{litres(state.litres.likely)}</span> at{" "}
        <span className="figure font-bold">{share(state.fraction.likely)}</span>
        {state.fraction.high - state.fraction.low > 0.1 &&
          `, which may be ${share(state.fraction.low)} to ${share(state.fraction.high)}: nobody has read it`}
        .
      </p>
      {isOld && (
        <p className="border-ink border-l-4 pl-3">
          What the instrument read was before the last litre moved: read it again.
        </p>
      )}
      <MixForm
        fields={fields}
        read={read}
        set={(next) => setFields({ ...next, readsAfter: next.reads === "" ? -1 : moves })}
        onBookReading={
          read.measured === undefined
            ? undefined
            : () => {
                if (book(measuredMix(read.measured ?? 0, fields.base, fields.instrument)))
                  setFields({ ...fields, reads: "", readsAfter: -1 });
              }
        }
      />
      {unnamed && (
        <p>
          {litres(unnamed.litres)} in it, at most, was poured without a name: nobody knows what that mixes
          with.
        </p>
      )}
      {kind && goesIn && kind !== goesIn && isFlushed && (
        <p className="text-ink-2">
          Flushed: of another kind no more than {share(FLUSHED_SHARE)} is left, by the litres that moved.
        </p>
      )}
      {mixed && !(kind !== goesIn && isFlushed) && (
        <p className="flex items-start gap-2">
          <VerdictShape verdict={MARK[mixed.verdict]} />
          <span>
            <span className="font-bold">{SAID[mixed.verdict]}.</span> {mixed.because}
          </span>
        </p>
      )}
      {can.approval && (
        <p className="flex items-start gap-2">
          <VerdictShape verdict={can.approval.verdict} />
          <span>{can.approval.because}</span>
        </p>
      )}
      {isFull && !put && !mayNotMix && (
        <p className="text-xl" data-mix>
          It is full, at {share(inItFraction)}: nothing more to mix.
        </p>
      )}
      {put && "result" in put && (
        <p className="text-xl" data-mix>
          It is full, at {share(inItFraction)}. Draw off {litres(put.result.drawL)} and put in{" "}
          {put.result.productL > 0
            ? `${litres(put.result.productL)} of it`
            : `${litres(put.result.waterL)} of distilled water`}
          : {share(target)}.
        </p>
      )}
      {state.isOverdrawn && (
        <p className="border-ink border-l-4 pl-3 font-bold">
          More came out than was in it by its card, which says {litres(card.capacityL)}: one of the two is
          wrong. Put the card or the book right first.
        </p>
      )}
      {put && "trouble" in put && <p className="border-ink border-l-4 pl-3 font-bold">{put.trouble}</p>}
      {!isFull && outcome && "trouble" in outcome && (
        <p className="border-ink border-l-4 pl-3 font-bold">{outcome.trouble}</p>
      )}
      {mayNotMix && (
        <p className="text-xl" data-mix>
          Flush it first, and write down the litres: water in, water out, until no more than{" "}
          {share(FLUSHED_SHARE)} of it is left. Until then there is nothing to pour.
        </p>
      )}
      {done && !isFull && !mayNotMix && (
        <div className="grid gap-6 xl:grid-cols-2">
          <div className="flex flex-col gap-2" aria-live="polite">
            <p className="text-xl" data-mix>
              Pour {litres(done.productL)} of it and {litres(done.waterL)} of distilled water.
            </p>
            <p>
              That makes {share(done.fraction)}: freezes at {celsius(done.freezeC)}
              {read.coldestC !== undefined && done.freezeC > read.coldestC ? ", not cold enough" : ""}, boils
              at{" "}
              {celsius(
                boilMarginC({
                  base: fields.base,
                  fraction: done.fraction,
                  capGaugeKPa: capGaugeKpa,
                  altitudeM: read.altitudeM,
                  coolantC: HOT_C,
                }).boilsC,
              )}{" "}
              under its cap.
            </p>
            {!done.reachable && (
              <p className="font-bold">
                {share(target)} can't be reached with what stayed:{" "}
                {done.rounds > MOST_FILLS
                  ? "drain more of it first."
                  : `${done.rounds} fills in all, drained between.`}
              </p>
            )}
            <p className={swellsL > (read.roomL ?? swellsL) ? "font-bold" : "text-ink-2"}>
              Hot it swells by {litres(swellsL)}
              {read.roomL === undefined
                ? ": the tank needs that room."
                : swellsL > read.roomL
                  ? `, and there is room for ${litres(read.roomL)}: fill it cold to ${litres(swellsL - read.roomL)} below the line, or it pushes coolant out.`
                  : `: ${litres(read.roomL)} of room is enough.`}
            </p>
            <p className="text-ink-2">
              Only distilled or de-ionised water: lime and salts of the tap settle where it is hottest and eat
              the inhibitors.
            </p>
            {!school && (
              <p className="text-ink-2">
                One school takes the maker's only{card.coolantProduct && ` (here ${card.coolantProduct})`},
                one an all-makes coolant once it is fully flushed, one tops up with the same label. Colour
                says nothing.
              </p>
            )}
            {school && (
              <p className="flex items-start gap-2">
                <VerdictShape verdict={school.verdict} />
                <span>{school.because}</span>
              </p>
            )}
            <Button className="self-start" disabled={!mayBook} onClick={() => pour(done)}>
              It is in: book {litres(done.productL + done.waterL)}
            </Button>
          </div>
          <FreezeCurve
            base={fields.base}
            system={system}
            coldestC={read.coldestC}
            points={[
              { name: "in it", fraction: inItFraction },
              { name: "then", fraction: done.fraction },
            ]}
          />
        </div>
      )}
    </section>
  );
}
