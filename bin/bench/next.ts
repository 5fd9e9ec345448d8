import { seededRandom } from "../../core/kernel/chance/index.ts";
import { CARD, type Followed, follow } from "../../core/stages/next/follow.fixture.ts";
import { nextOf } from "../../core/stages/next/index.ts";
import { anyBook } from "../../core/state/any-book.fixture.ts";
import { dutiesOf, jobState, provenCar } from "../../core/state/index.ts";
import type { Figure } from "./measure.ts";

const BOOKS = 200;
const LINES = 40;
const quantile = (all: readonly number[], share: number) =>
  [...all].sort((a, b) => a - b)[Math.floor(share * (all.length - 1))] ?? 0;

/** Somebody who does nothing but what is in hand, from wherever hands have come. */
export async function benchNext(): Promise<Figure[]> {
  const random = seededRandom(220_022);
  const times: number[] = [];
  const ends: Followed[] = [];
  for (let each = 0; each < BOOKS; each++)
    ends.push(
      follow(anyBook(Math.floor(random() * LINES), random), random, CARD, (_, entries, now) => {
        const fresh = [...entries];
        const from = performance.now();
        nextOf(jobState(fresh, CARD, now), CARD, now);
        times.push(performance.now() - from);
      }),
    );
  const car = provenCar({ fanOnC: CARD.fanOnC, capGaugeKpa: 110 });
  const astray = ends.filter(
    ({ entries, last, refused }) =>
      refused.length > 0 || last.now[0]?.id !== "sign" || dutiesOf(entries, car).length > 0,
  );
  const turns = ends.map(({ history }) => history.length);
  return [
    {
      name: `of ${BOOKS} jobs as hands leave them, followed by what is in hand alone, that end in no signature`,
      measured: astray.length,
      unit: "",
      wanted: 1,
      from: astray[0]
        ? astray[0].history.slice(-3).join(" | ")
        : `${quantile(turns, 0.5)} things done at the median, ${quantile(turns, 0.95)} at most in 95 of 100`,
    },
    {
      name: "what is to be done next, of a book that nothing is known of yet, 95 of 100",
      measured: quantile(times, 0.95),
      unit: "ms",
      wanted: 50,
      from: `median ${quantile(times, 0.5).toFixed(1)} ms of ${times.length}`,
    },
  ];
}
