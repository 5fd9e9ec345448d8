import { mkdtemp, open, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { packShop } from "../../server/subjects/shops/pack-shop.ts";
import { database } from "../desk/database.server.ts";
import { guarded } from "../desk/guard.server.ts";
import { sendArchive } from "../desk/send-archive.server.ts";

/** Everything that the shop has, as docs/formats/shop.md says, without what anybody signs in by. */
export const loader = guarded("lead", async ({ member: { shopId } }) => {
  const folder = await mkdtemp(join(tmpdir(), "shop-file-"));
  try {
    const path = join(folder, "shop.zip");
    const { shop, writtenAt } = await packShop(database(), { shopId }, path);
    // It goes with its last reader, whatever becomes of the answer.
    const file = await open(path);
    const { size } = await file.stat();
    return sendArchive(file.createReadStream(), `${shop.slug}-${writtenAt.slice(0, 10)}.zip`, size);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
});
