import { readAddress } from "../../adapter/adapter-address.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { Refusal } from "../../desk/refusal.ts";
import { jobToTake, refuseSigned } from "../../entries/under-way.ts";
import { liveLogsOf } from "./live-log.ts";

export interface NewLiveLog {
  id: string;
  /** Readings a second, 1 to 5. */
  perSecond: number;
  /** Hours that the engine had stood before; absent where nobody knows. */
  restedH?: number;
  /** What the adapter wants to hear first; empty where nothing. */
  opening?: string;
}

/** An adapter is told which car to be, and nothing else: no line of the program's goes to whatever else listens there. */
const OPENING = /^car [\w ,.-]{1,180}$/;

/** Begins a log of a job: any process may read it from now on. The same again is the same one. Refuses where one runs already. */
export async function startLiveLog(
  desk: Desk,
  jobId: string,
  { id, perSecond, restedH, opening = "" }: NewLiveLog,
): Promise<void> {
  const { models, sequelize, transaction, shopId } = desk;
  if (!isId(id)) throw new Refusal({ message: "A log has an id of its own." });
  const { job, personId } = await jobToTake(desk, jobId, { lock: true });
  refuseSigned(job);
  const there = await liveLogsOf(desk, jobId);
  if (there.some((each) => each.id === id)) return;
  if (there.some(({ endedAt }) => !endedAt))
    throw new Refusal({
      status: 409,
      message: "A log of this car is being recorded already: watch that one, or stop it first.",
    });
  if (opening !== "" && !OPENING.test(opening))
    throw new Refusal({
      message: "",
      fields: { opening: "Letters, digits and commas, after the word car." },
    });
  const shop = await models.Shop.findByPk(shopId, { attributes: ["adapter"], transaction });
  if (!readAddress(shop?.adapter))
    throw new Refusal({
      status: 409,
      message: "The shop has no diagnostic adapter yet. Whoever leads it says where one is, on Shop.",
    });
  await sequelize.query(
    `INSERT INTO live_logs (shop_id, id, job_id, opening, per_second, rested_h, started_by, started_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, clock_timestamp())`,
    { bind: [shopId, id, jobId, opening, perSecond, restedH ?? null, personId], transaction },
  );
  await offerTurn(desk, id);
}

/** Whoever comes first reads it. */
export async function offerTurn({ sequelize, transaction, shopId }: Desk, id: string): Promise<void> {
  await sequelize.query(
    "INSERT INTO live_log_turns (shop_id, log_id, until_at) VALUES ($1, $2, '-infinity') ON CONFLICT DO NOTHING",
    { bind: [shopId, id], transaction },
  );
}
