import sharp from "sharp";
import { addDays } from "../core/kernel/days/index.ts";
import { mayClose } from "../core/state/index.ts";
import { openJob } from "../server/books/jobs/open-job.ts";
import { signJob } from "../server/books/jobs/sign-job.ts";
import { bookLog } from "../server/books/logs/book-log.ts";
import { bookPicture } from "../server/books/pictures/book-picture.ts";
import { type AtDesk, atDesk, type Database } from "../server/database/connection.ts";
import { readBook } from "../server/entries/read-books.ts";
import { type NewEntry, recordEntries } from "../server/entries/record-entries.ts";
import { takeLevel } from "../server/subjects/levels/take-level.ts";
import { addPerson } from "../server/subjects/people/add-person.ts";
import { hashSecrets } from "../server/subjects/people/secrets.ts";
import { putOnShelf } from "../server/subjects/shelf/put-on-shelf.ts";
import { createShop } from "../server/subjects/shops/create-shop.ts";
import { changePlace } from "../server/subjects/shops/read-shop.ts";
import { addVehicle } from "../server/subjects/vehicles/add-vehicle.ts";
import { FLEET } from "./fleet.ts";
import { handOver, keptPromises } from "./hand-over.ts";
import { healthRead } from "./health.ts";
import { demoLevels } from "./levels.ts";
import { SHELF } from "./shelf.ts";
import { ADAPTER, PEOPLE, type PersonKey, SHOP, VEHICLES } from "./shop.ts";
import { stories } from "./stories.ts";
import { demoId, type Story } from "./story.ts";

export const SHOP_ID = demoId("shop");
const personId = (key: PersonKey) => demoId(`person:${key}`);
export const jobId = (key: string) => demoId(`job:${key}`);
const vehicleId = (key: string) => demoId(`vehicle:${key}`);
/** Pell Pass, and its coldest mornings. */
const SHOP_PLACE = { altitudeM: 900, coldestC: -20 };
const MINUTE_MS = 60_000;
/** What was promised for the last days waits for somebody still, so that there is something to see. */
const DAYS_KEPT = 1;

/** Closed jobs open at eight on their day; open ones some hours before `today`, so that they read as of now. */
function openingOf(story: Story, today: Date): Date {
  if (!story.signature) return new Date(today.getTime() - (story.daysAgo * 20 + 3) * 60 * MINUTE_MS);
  const day = new Date(today);
  day.setUTCDate(day.getUTCDate() - story.daysAgo);
  day.setUTCHours(8, 0, 0, 0);
  return day;
}

async function tell(app: Database, story: Story, today: Date, all: readonly Story[]): Promise<void> {
  const openedAt = openingOf(story, today);
  const id = jobId(story.key);
  const who = { shopId: SHOP_ID, personId: personId(story.by) };
  const after = (minutes: number) => new Date(openedAt.getTime() + minutes * MINUTE_MS);
  const at = <Result>(minutes: number, work: Parameters<typeof atDesk<Result>>[2]) =>
    atDesk(app, { ...who, now: after(minutes) }, work);
  const desk = { shopId: SHOP_ID, personId: personId("dez"), now: openedAt };
  await atDesk(app, desk, (given) =>
    openJob(given, {
      id,
      vehicleId: vehicleId(story.vehicle.key),
      bay: story.bay,
      assignedTo: personId(story.by),
    }),
  );
  const entries = story.entries(openedAt);
  const { logs, signature } = story;
  const book = async (batch: NewEntry[]) => {
    if (batch.length === 0) return;
    const last = new Date(batch.at(-1)?.at ?? openedAt);
    await atDesk(app, { ...who, now: last }, (given) => recordEntries(given, id, batch));
  };
  const files: { minute: number; hand: (given: AtDesk) => Promise<void> }[] = story.pictures.map(
    ({ minute, words, place, stage, drawing }, index) => ({
      minute,
      hand: async (given) =>
        bookPicture(given, id, {
          id: demoId(`${story.key}:picture:${index}`),
          words,
          ...(place ? { place } : {}),
          stage,
          at: after(minute).toISOString(),
          bytes: await sharp(Buffer.from(drawing)).jpeg({ quality: 90 }).toBuffer(),
        }),
    }),
  );
  for (const [index, { minute, name, text }] of logs.entries())
    files.push({
      minute,
      hand: (given) => bookLog(given, id, { id: story.logId(index), name, text }),
    });
  let from = "";
  for (const { minute, hand } of files.sort((a, b) => a.minute - b.minute)) {
    const till = after(minute).toISOString();
    await book(entries.filter((entry) => entry.at > from && entry.at <= till));
    await hand((work) => at(minute, work));
    from = till;
  }
  await book(entries.filter((entry) => entry.at > from));
  const good = all.find(({ key }) => key === story.heldAgainst);
  if (good) {
    const read = healthRead(story, good, openingOf(good, today), SHOP_PLACE.altitudeM);
    const minute = (story.logs.at(-1)?.minute ?? 0) + 5;
    await book([
      { ...read, stage: "prove", at: after(minute).toISOString(), id: demoId(`${story.key}:health`) },
    ]);
  }
  if (signature) {
    await at(signature.minute, async (given) => {
      const said = handOver(story.key, await readBook(given, id), story.vehicle, given.now.toISOString());
      if (said.length > 0) await recordEntries(given, id, said);
      const { because } = mayClose(await readBook(given, id));
      await signJob(given, id, {
        id: demoId(`${story.key}:sign`),
        reason: signature.reason,
        openSeen: because,
      });
    });
    const open = await at(signature.minute, (given) => readBook(given, id));
    const before = addDays(today.toISOString().slice(0, 10), -DAYS_KEPT);
    for (const kept of keptPromises(story.key, open, before))
      await atDesk(app, { ...who, now: new Date(kept.at) }, (given) => recordEntries(given, id, [kept]));
  }
}

/** Fills an empty database with the made-up shop, dates laid relative to `today`. The shop itself is the owner's to make. */
export async function seedDemo(owner: Database, app: Database, today: Date): Promise<void> {
  await createShop(owner, { id: SHOP_ID, ...SHOP });
  await owner.sequelize.query("UPDATE shops SET adapter = $2 WHERE id = $1", {
    bind: [SHOP_ID, JSON.stringify(ADAPTER)],
  });
  const who = { shopId: SHOP_ID, personId: null, now: today };
  const lead = { ...who, personId: personId("maren") };
  for (const { key, ...person } of PEOPLE) {
    const hashed = await hashSecrets(person);
    await atDesk(app, lead, (desk) => addPerson(desk, { ...hashed, id: personId(key) }));
  }
  for (const { key, kmPerYear: _, ...vehicle } of [...VEHICLES, ...FLEET])
    await atDesk(app, who, (desk) => addVehicle(desk, { ...vehicle, id: vehicleId(key) }));
  await atDesk(app, lead, (desk) => putOnShelf(desk, SHELF));
  await atDesk(app, lead, (desk) => changePlace(desk, SHOP_PLACE));
  const all = stories();
  for (const story of all) await tell(app, story, today, all);
  for (const { vehicle, at, ...level } of demoLevels(today))
    await atDesk(app, { shopId: SHOP_ID, personId: personId("tobin"), now: at }, (desk) =>
      takeLevel(
        desk,
        vehicleId(vehicle),
        { ...level, distanceKm: null, heat: "cold", minimumL: null },
        SHOP.units,
      ),
    );
}
