import type { Entry } from "../../core/book/entry/index.ts";
import { circuitOf } from "../../core/stages/find/index.ts";
import { changeCard } from "../cards/change-card.ts";
import type { Desk } from "../database/connection.ts";

/** A circuit that a job's book settled goes onto the vehicle's card, with who settled it, so that nobody asks again. */
export async function followCircuit(
  desk: Desk,
  job: { id: string; vehicleId: string },
  book: readonly Entry[],
): Promise<void> {
  const circuit = circuitOf(book, null);
  if (!circuit) return;
  const { models, transaction } = desk;
  const card = await models.CoolingCard.findOne({ where: { vehicleId: job.vehicleId }, transaction });
  if (card && card.circuit !== circuit) await changeCard(desk, job.vehicleId, { circuit }, job.id);
}
