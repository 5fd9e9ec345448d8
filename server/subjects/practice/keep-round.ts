import { QueryTypes } from "sequelize";
import { hide, MOST_KEPT, type PracticeAct, playRound } from "../../../core/trade/practice/index.ts";
import type { Desk } from "../../database/connection.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";

/** A round as a browser hands it in: what was hidden by level, car and seed, and what was done. */
export interface RoundHandedIn {
  id: string;
  level: number;
  carKey: string;
  seed: number;
  acts: readonly PracticeAct[];
  /** What the planner's way costs, as the browser has reckoned it. */
  plannerCents?: number;
  /** Whether somebody looked at what is still possible. */
  hadHelp: boolean;
}

/** Played again here: what came of a round is told by the same acts on the same car. */
function played({ level, carKey, seed, acts }: RoundHandedIn) {
  try {
    return playRound(hide(level, carKey, seed), acts);
  } catch (error) {
    if (error instanceof RangeError) throw new Refusal({ message: error.message });
    throw error;
  }
}

/**
 * Keeps a round of practice for whoever played it. Sent again it is kept once. Throws a Refusal for a round that isn't over, for one
 * that nobody can have played, and for an id that is another's.
 */
export async function keepRound(desk: Desk, round: RoundHandedIn): Promise<void> {
  const { sequelize, transaction, shopId, personId, now } = desk;
  if (!personId) throw notFound("The bench");
  const { id, level, carKey, seed, acts, plannerCents = null, hadHelp } = round;
  const { end, isRight, account, hidden } = played(round);
  if (!end) throw new Refusal({ message: "This round isn't over yet." });
  const [own] = await sequelize.query<{ count: number }>(
    "SELECT count(*)::int FROM practice_rounds WHERE person_id = $1 AND id <> $2",
    { bind: [personId, id], type: QueryTypes.SELECT, transaction },
  );
  if ((own?.count ?? 0) >= MOST_KEPT)
    throw new Refusal({ message: `${MOST_KEPT} rounds are kept of you: no more can be.` });
  await sequelize.query(
    `INSERT INTO practice_rounds (shop_id, id, person_id, at, level, car_key, seed, acts, faults, ended, is_right, had_help,
                                  wrong_repairs, cents, planner_cents, has_boiled, opened_hot, is_unlooked)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18)
     ON CONFLICT DO NOTHING`,
    {
      bind: [
        shopId,
        id,
        personId,
        now,
        level,
        carKey,
        seed,
        JSON.stringify(acts),
        hidden.faults,
        end,
        isRight,
        hadHelp,
        account.wrongRepairs,
        account.cents(),
        plannerCents,
        account.hasBoiled,
        account.openedHot.length,
        account.isUnlooked,
      ],
      transaction,
    },
  );
  const [kept] = await sequelize.query<{ personId: string }>(
    `SELECT person_id AS "personId" FROM practice_rounds WHERE id = $1`,
    { bind: [id], type: QueryTypes.SELECT, transaction },
  );
  if (kept?.personId !== personId) throw new Refusal({ message: "Load the page again." });
}
