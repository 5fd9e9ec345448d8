import type { FollowUpRule } from "../../../core/trade/follow-ups/index.ts";
import type { Desk } from "../../database/connection.ts";
import { Refusal } from "../../desk/refusal.ts";

/** Puts the shop's rules for second looks; what is promised already stays as it was. */
export async function changeRules(desk: Desk, rules: readonly FollowUpRule[]): Promise<void> {
  const { models, transaction, shopId, personId, now } = desk;
  if (new Set(rules.map(({ id }) => id)).size !== rules.length)
    throw new Refusal({ message: "Two of the rules have the same name." });
  await models.Shop.update({ followUpRules: rules }, { where: { id: shopId }, transaction });
  await models.Audit.create(
    { shopId, personId, what: "follow-up rules changed", at: now, about: { rules } },
    { transaction },
  );
}
