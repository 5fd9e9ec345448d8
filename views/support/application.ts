import type { PersonKey } from "../../demo/shop.ts";
import type { Desk } from "../../server/database/connection.ts";
import type { Scratch } from "../../server/testing/scratch-database.ts";
import { PROGRAM } from "./build.ts";
import { ViewPage } from "./page.ts";
import { ShopHere } from "./shop-here.ts";

export const {
  jobId,
  demoId,
  SHOP_ID,
  PEOPLE,
  VEHICLES,
  openJob,
  recordEntries,
  addVehicle,
  newEntry,
  atDesk,
} = (await import(/* @vite-ignore */ PROGRAM)) as typeof import("./program.ts");
const { database, enrolDevice, scratchDatabase } = (await import(
  /* @vite-ignore */ PROGRAM
)) as typeof import("./program.ts");

const told = <Value>(asked: IDBRequest<Value>) =>
  new Promise<Value>((resolve, reject) => {
    asked.onsuccess = () => resolve(asked.result);
    asked.onerror = () => reject(asked.error);
  });

/** A browser that has kept nothing: what another file has left in this worker's is nobody's. */
async function forgetKept(): Promise<void> {
  for (const { name = "" } of await indexedDB.databases()) {
    const kept = await told(indexedDB.open(name));
    const stores = [...kept.objectStoreNames];
    if (stores.length > 0) {
      const change = kept.transaction(stores, "readwrite");
      for (const store of stores) await told(change.objectStore(store).clear());
    }
    kept.close();
  }
}

/** The made-up shop on a database of a test file's own, its server and its pages in this process. */
export class Application {
  private constructor(readonly scratch: Scratch) {}

  static async open(): Promise<Application> {
    const template = process.env.SEEDED_TEMPLATE;
    if (!template) throw new Error("The made-up shop is not there: views/support/global-setup.ts makes it.");
    const scratch = await scratchDatabase(false, template);
    process.env.APP_DATABASE_URL = scratch.appUrl;
    await forgetKept();
    return new Application(scratch);
  }

  get address(): string {
    return "http://127.0.0.1";
  }

  /** A browser on a device that is nobody's yet. */
  async stranger(): Promise<ViewPage> {
    return new ViewPage(new ShopHere());
  }

  /** One more tab beside this one. */
  async another({ shop }: ViewPage): Promise<ViewPage> {
    return new ViewPage(shop);
  }

  /** A browser that is one of the shop's own, nobody signed in. */
  async visit(): Promise<ViewPage> {
    const page = await this.ownBrowser();
    await page.open("/sign-in");
    return page;
  }

  private async ownBrowser(): Promise<ViewPage> {
    const device = await atDesk(this.scratch.database, { shopId: SHOP_ID }, (desk) =>
      enrolDevice(desk, "bay tablet"),
    );
    const shop = new ShopHere();
    await shop.fetch(`/this-device/${device}`);
    return new ViewPage(shop);
  }

  /** The same with somebody signed in by PIN; it stands on no page yet. */
  async signedIn(who: PersonKey): Promise<ViewPage> {
    const page = await this.ownBrowser();
    const pin = PEOPLE.find(({ key }) => key === who)?.pin ?? "";
    const answer = await page.shop.fetch("/sign-in", {
      method: "POST",
      body: new URLSearchParams({ personId: demoId(`person:${who}`), pin }),
    });
    if (answer.status >= 400) throw new Error(`${who} is not let in: ${await answer.text()}`);
    return page;
  }

  /** Somebody does something at the desk, past every page. */
  atDesk<Result>(work: (desk: Desk) => Promise<Result>, who: PersonKey = "tobin"): Promise<Result> {
    return atDesk(this.scratch.database, { shopId: SHOP_ID, personId: demoId(`person:${who}`) }, work);
  }

  go(page: ViewPage, path: string): Promise<void> {
    return page.open(path);
  }

  async close(): Promise<void> {
    await database().sequelize.close();
    await this.scratch.drop();
  }
}
