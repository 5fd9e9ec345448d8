import sharp from "sharp";
import { book } from "../../core/book/entry/book.fixture.ts";
import { type Entry } from "../../core/book/entry/index.ts";
import { balance, buildList } from "../../core/book/out/index.ts";
import { listToday } from "../../server/books/jobs/list-today.ts";
import { readLastOnModel } from "../../server/books/jobs/read-last-on-model.ts";
import { cleanPicture } from "../../server/books/pictures/clean-picture.ts";
import { putOnShelf } from "../../server/subjects/shelf/put-on-shelf.ts";
import { readShelf } from "../../server/subjects/shelf/read-shelf.ts";
import { findVehicles } from "../../server/subjects/vehicles/find-vehicles.ts";
import { readVehicle } from "../../server/subjects/vehicles/read-vehicle.ts";
import { makeTemplate, type Scratch, scratchDatabase } from "../../server/testing/scratch-database.ts";
import { smallShop } from "../../server/testing/small-shop.ts";
import { type Figure, median, medianMs } from "./measure.ts";

const JOBS = 100_000;
const VEHICLES = 2000;

/** Five hundred lines, two thirds of them bags that go out and come back. */
function entries(): Entry[] {
  return book(
    Array.from({ length: 500 }, (_, index): Partial<Entry> => {
      const place = `bag ${(index >> 1) % 60}`;
      if (index % 3 === 2) return { kind: "note", text: `seen ${index}` };
      return {
        kind: "movement",
        account: "fastener",
        item: `M${index % 7}`,
        place,
        [index % 2 ? "in" : "out"]: 1,
      };
    }),
  );
}

async function manyJobs(scratch: Scratch, shop: Awaited<ReturnType<typeof smallShop>>): Promise<void> {
  const query = (sql: string, ...more: unknown[]) =>
    scratch.owner.sequelize.query(sql, { bind: [shop.shopId, ...more] });
  await query(
    `INSERT INTO vehicles (shop_id, id, plate, vin, name)
     SELECT $1, gen_random_uuid(), 'B ' || i, NULL, 'Model ' || (i % 8) FROM generate_series(1, ${VEHICLES}) i`,
  );
  await query(
    `INSERT INTO cooling_cards (shop_id, vehicle_id, capacity_l, coolant_kind, target_fraction, cap_gauge_kpa, thermostat_opens_c)
     SELECT $1, id, 9, 'oat', 0.5, 110, 87 FROM vehicles WHERE shop_id = $1 AND plate LIKE 'B %'`,
  );
  await query(
    `INSERT INTO jobs (shop_id, id, number, vehicle_id, opened_by, opened_at, last_seq)
     SELECT $1, gen_random_uuid(), 1000 + i, v.id, $2, now() - i * interval '10 minutes', 3
       FROM (SELECT id, row_number() OVER () AS n FROM vehicles WHERE shop_id = $1 AND plate LIKE 'B %') v
       JOIN generate_series(1, ${JOBS}) i ON i % ${VEHICLES} = v.n - 1`,
    shop.people.technician,
  );
  for (const [seq, columns, values] of [
    [1, "kind, account, item, out", "'movement', 'fastener', 'M6×20', 4"],
    [
      2,
      "kind, item, text, data",
      `'decision', 'radiator', 'pattern', '{"fact":"chosen-part","v":2,"grade":"pattern","supplier":"Tansy & Rudge"}'::jsonb`,
    ],
    [3, 'kind, account, item, "in"', "'movement', 'part', 'radiator', 1"],
  ] as const)
    await query(
      `INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, ${columns})
       SELECT $1, gen_random_uuid(), id, ${seq}, opened_at, opened_by, 'build', ${values} FROM jobs WHERE shop_id = $1 AND number > 1000`,
    );
  await query(
    "UPDATE jobs SET signed_at = opened_at, signed_by = opened_by WHERE shop_id = $1 AND number > 1006",
  );
  await scratch.owner.sequelize.query("ANALYZE");
}

/** Pages of a shop with a hundred thousand jobs beside the statements that they can't do without. */
async function benchPages(): Promise<Figure[]> {
  await makeTemplate();
  const scratch = await scratchDatabase();
  try {
    const shop = await smallShop(scratch, "Large");
    await manyJobs(scratch, shop);
    const radiator = { kind: "part", item: "radiator", grade: "pattern", supplier: "Tansy & Rudge" } as const;
    const price = {
      approval: "",
      priceCents: 14_900,
      freightCents: 900,
      days: 1,
      partDays: 365,
      labourDays: 0,
    };
    await shop.at((desk) => putOnShelf(desk, [{ ...radiator, ...price }]));
    const [[one]] = (await scratch.owner.sequelize.query(
      "SELECT j.id, j.vehicle_id AS car FROM jobs j WHERE shop_id = $1 AND number = 1003",
      { bind: [shop.shopId] },
    )) as [[{ id: string; car: string }], unknown];
    const bare = (sql: string, bind: unknown[] = []) =>
      shop.at(({ sequelize, transaction }) => sequelize.query(sql, { bind, transaction }));
    const pages: [name: string, page: () => Promise<unknown>, sql: () => Promise<unknown>][] = [
      [
        "Today",
        () => shop.at(listToday),
        () =>
          bare(
            "SELECT e.* FROM jobs j JOIN entries e ON e.shop_id = j.shop_id AND e.job_id = j.id JOIN vehicles v ON v.shop_id = j.shop_id AND v.id = j.vehicle_id WHERE j.signed_at IS NULL",
          ),
      ],
      [
        "Vehicles",
        () => shop.at((desk) => findVehicles(desk, "B 19")),
        () =>
          bare(
            "SELECT v.*, (SELECT count(*) FROM jobs j WHERE j.shop_id = v.shop_id AND j.vehicle_id = v.id), (SELECT max(opened_at) FROM jobs j WHERE j.shop_id = v.shop_id AND j.vehicle_id = v.id) FROM vehicles v WHERE replace(v.plate, ' ', '') ILIKE '%B19%' OR v.name ILIKE '%B 19%' ORDER BY plate LIMIT 100",
          ),
      ],
      [
        "Vehicle",
        () => shop.at((desk) => readVehicle(desk, one.car)),
        () =>
          bare(
            "SELECT j.id, e.* FROM jobs j JOIN entries e ON e.shop_id = j.shop_id AND e.job_id = j.id WHERE j.vehicle_id = $1 ORDER BY j.opened_at, e.seq",
            [one.car],
          ),
      ],
    ];
    const figures: Figure[] = [];
    for (const [name, page, sql] of pages) {
      const [pageMs, sqlMs] = [await medianMs(9, page), await medianMs(9, sql)];
      figures.push({
        name: `${name} at ${JOBS.toLocaleString("en")} jobs, by its bare SQL`,
        measured: pageMs / sqlMs,
        unit: "times",
        wanted: 3,
        from: `${pageMs.toFixed(1)} ms by ${sqlMs.toFixed(1)}`,
      });
    }
    for (const [name, read] of [
      ["what the last job on the model taught", () => shop.at((desk) => readLastOnModel(desk, one.id))],
      ["the shelf", () => shop.at(readShelf)],
    ] as const)
      figures.push({
        name: `${name} at ${JOBS.toLocaleString("en")} jobs`,
        measured: await medianMs(7, read),
        unit: "ms",
        wanted: 250,
      });
    return figures;
  } finally {
    await scratch.drop();
  }
}

async function benchPicture(): Promise<Figure[]> {
  const busy = await sharp({
    create: {
      width: 4000,
      height: 3000,
      channels: 3,
      background: "#000",
      noise: { type: "gaussian", mean: 128, sigma: 50 },
    },
  })
    .jpeg({ quality: 90 })
    .toBuffer();
  const times: number[] = [];
  let kept = 0;
  for (let run = 0; run < 5; run++) {
    const from = performance.now();
    kept = (await cleanPicture(busy)).content.length;
    times.push(performance.now() - from);
  }
  return [
    {
      name: "12 million pixels cleaned, not shrunk before",
      measured: median(times),
      unit: "ms",
      wanted: 3000,
    },
    { name: "the same, kept", measured: kept / 1000, unit: "kB", wanted: 400 },
  ];
}

/** The middle of a job: the list to put back, a picture, and the pages of a large shop. */
export async function benchPlanToBuild(): Promise<Figure[]> {
  const first = entries();
  return [
    {
      name: "what is to go back, and the balance, of 500 lines",
      measured: await medianMs(50, () => {
        // A list of its own each time: what was worked out for the last one is no help.
        const fresh = [...first];
        buildList(fresh);
        balance(fresh);
      }),
      unit: "ms",
      wanted: 5,
    },
    ...(await benchPicture()),
    ...(await benchPages()),
  ];
}
