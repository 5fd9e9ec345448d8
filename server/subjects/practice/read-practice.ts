import { QueryTypes } from "sequelize";
import { MOST_ROUNDS } from "../../../core/trade/practice/index.ts";
import type { Desk } from "../../database/connection.ts";

/** A round that somebody played to its end. */
export interface RoundKept {
  id: string;
  /** ISO 8601. */
  at: string;
  level: number;
  carKey: string;
  /** None where nothing was wrong. */
  faults: string[];
  ended: "found" | "handed-back" | "given-up";
  isRight: boolean;
  hadHelp: boolean;
  wrongRepairs: number;
  cents: number;
  plannerCents: number | null;
  hasBoiled: boolean;
  openedHot: number;
  isUnlooked: boolean;
}

/** How rounds with one fault have gone in this shop, whoever played them. */
export interface FaultPractised {
  /** No word where nothing was wrong. */
  fault: string;
  rounds: number;
  right: number;
  wrongRepairs: number;
  boiled: number;
  openedHot: number;
  people: number;
}

/** What somebody has played, newest first. */
export async function readOwnPractice({ sequelize, transaction, personId }: Desk): Promise<RoundKept[]> {
  const rows = await sequelize.query<Omit<RoundKept, "at"> & { at: Date }>(
    `SELECT id, at, level, car_key AS "carKey", faults, ended, is_right AS "isRight", had_help AS "hadHelp",
            wrong_repairs AS "wrongRepairs", cents, planner_cents AS "plannerCents", has_boiled AS "hasBoiled",
            opened_hot AS "openedHot", is_unlooked AS "isUnlooked"
       FROM practice_rounds WHERE person_id = $1 ORDER BY at DESC, id LIMIT ${MOST_ROUNDS}`,
    { bind: [personId ?? null], type: QueryTypes.SELECT, transaction },
  );
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
}

/** What the people of this shop find hard: by fault, the one that is found least often first. Nobody's name is in it. */
export async function readShopsPractice({ sequelize, transaction }: Desk): Promise<FaultPractised[]> {
  return sequelize.query<FaultPractised>(
    `SELECT fault, count(*)::int AS rounds, (count(*) FILTER (WHERE is_right))::int AS "right",
            sum(wrong_repairs)::int AS "wrongRepairs", (count(*) FILTER (WHERE has_boiled))::int AS boiled,
            (count(*) FILTER (WHERE opened_hot > 0))::int AS "openedHot", count(DISTINCT person_id)::int AS people
       FROM (SELECT unnest(CASE WHEN faults = '{}' THEN ARRAY[''] ELSE faults END) AS fault, is_right, wrong_repairs, has_boiled,
                    opened_hot, person_id FROM practice_rounds) rounds
      GROUP BY fault ORDER BY (count(*) FILTER (WHERE is_right))::float / count(*), count(*) DESC, fault`,
    { type: QueryTypes.SELECT, transaction },
  );
}
