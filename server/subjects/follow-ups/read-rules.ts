import { type FollowUpRule, USUAL_RULES } from "../../../core/trade/follow-ups/index.ts";
import type { Desk } from "../../database/connection.ts";

/** The shop's own rules for second looks, or the usual ones. */
export async function readRules({ models, transaction, shopId }: Desk): Promise<FollowUpRule[]> {
  const shop = await models.Shop.findByPk(shopId, { attributes: ["followUpRules"], transaction });
  return shop?.followUpRules ?? [...USUAL_RULES];
}
