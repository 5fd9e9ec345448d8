import type { Judgement } from "../../kernel/verdict/index.ts";
import { inRange } from "./in-range.ts";
import { carriesA, FUSES_A, LASTING_SHARE, MOST_JUMPER_A, standsA } from "./wires.ts";

/**
 * What a fan motor draws, held against its fuse and wire. `amps` 0 to 200, `fuseA` 1 to 100, `wireMm2` 0.5 to 16, else
 * `RangeError`. Fails over four fifths of the fuse or over what the wire carries; not seen where it doesn't run.
 */
export function motorDraw({
  amps,
  fuseA,
  wireMm2,
}: {
  amps: number;
  fuseA: number;
  wireMm2?: number;
}): Judgement {
  inRange(amps, 0, 200, "A drawn");
  inRange(fuseA, 1, 100, "A of fuse");
  if (wireMm2 !== undefined) inRange(wireMm2, 0.5, 16, "mm² of wire");
  const mostA = fuseA * LASTING_SHARE;
  if (wireMm2 !== undefined && fuseA > standsA(wireMm2))
    return {
      verdict: "fail",
      measured: fuseA,
      expected: standsA(wireMm2),
      because: `A ${fuseA} A fuse doesn't protect ${wireMm2} mm², which stands ${standsA(wireMm2)} A: the wire burns first. A smaller fuse, or a thicker wire.`,
    };
  if (amps < 0.5)
    return {
      verdict: "not-seen",
      measured: amps,
      expected: mostA,
      because: `${amps} A: the motor doesn't run, so it draws nothing to judge.`,
    };
  if (amps > mostA)
    return {
      verdict: "fail",
      measured: amps,
      expected: mostA,
      because: `${amps} A is more than a ${fuseA} A fuse carries for long (${mostA} A): a stiff motor, or the wrong fuse.`,
    };
  if (wireMm2 !== undefined && amps > carriesA(wireMm2))
    return {
      verdict: "fail",
      measured: amps,
      expected: carriesA(wireMm2),
      because: `${amps} A is more than ${wireMm2} mm² carries for long (${carriesA(wireMm2)} A).`,
    };
  return {
    verdict: "pass",
    measured: amps,
    expected: mostA,
    because: `${amps} A sits well under the ${fuseA} A fuse${wireMm2 === undefined ? "; its wire was not looked at" : `, which ${wireMm2} mm² stands`}.`,
  };
}

/**
 * The fuse for a jumper lead that is to run a motor: the next blade fuse (ISO 8820-3) above five quarters of what the
 * motor draws, amperes. `motorAmps` over 0 up to 32 A, else `RangeError`: a bigger fan wants a relay, not a jumper.
 */
export function jumperFuse(motorAmps: number): number {
  const fuse = FUSES_A.find((rating) => rating <= MOST_JUMPER_A && rating * LASTING_SHARE >= motorAmps);
  if (!(motorAmps > 0) || fuse === undefined)
    throw new RangeError(
      `${motorAmps} A can't go through a fused jumper: over 0 up to ${MOST_JUMPER_A * LASTING_SHARE} A. Use a relay.`,
    );
  return fuse;
}
