import type { Desk } from "../database/connection.ts";
import { checkedAddress } from "./adapter-address.ts";

/** Where the shop's diagnostic adapter is from now on, or that it has none. */
export async function changeAdapter(
  { models, transaction, shopId, personId, now }: Desk,
  given: { host: string; port?: number } | undefined,
): Promise<void> {
  const adapter = given ? checkedAddress({ host: given.host, port: given.port ?? Number.NaN }) : null;
  const shop = await models.Shop.findByPk(shopId, { attributes: ["adapter"], transaction });
  const was = shop?.adapter;
  const isSame = was && adapter && was.host === adapter.host && was.port === adapter.port;
  if (isSame) return;
  await models.Shop.update({ adapter }, { where: { id: shopId }, transaction });
  await models.Audit.create(
    { shopId, personId, what: "adapter changed", at: now, about: { adapter } },
    { transaction },
  );
}
