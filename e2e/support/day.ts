import type { Page } from "puppeteer-core";
import type { Application } from "./application.ts";

/** A slip as a screen reader says it. */
export interface SaidSlip {
  label: string;
  from: string;
  until: string;
  plate: string;
  isHeld: boolean;
}

const HOURS = { days: [1, 2, 3, 4, 5, 6, 7], opens: "07:00", closes: "18:00", breaks: [], lifts: 2 };
const MORNING_H = 9;

/** A zone in which it is past nine in the morning now: a day is planned the same whenever its test runs. */
function morningZone(): string {
  const ahead = MORNING_H - new Date().getUTCHours();
  const hours = ahead < -11 ? ahead + 24 : ahead;
  return hours === 0 ? "UTC" : `Etc/GMT${hours > 0 ? "-" : "+"}${Math.abs(hours)}`;
}

/** Puts the made-up shop where it is morning, open all week. */
export async function inTheMorning(application: Application): Promise<string> {
  const zone = morningZone();
  await application.scratch.owner.sequelize.query("UPDATE shops SET time_zone = $1, hours = $2", {
    bind: [zone, JSON.stringify(HOURS)],
  });
  return zone;
}

const SAID = /^(\d\d:\d\d) to (\d\d:\d\d); (MRW \d{4}) /;

/** Everything in somebody's lane, in its order, by names alone. */
export async function slipsOf(page: Page, name: string): Promise<SaidSlip[]> {
  const labels = await page.$$eval(`section[aria-label="${name}'s day"] [data-lane] button`, (slips) =>
    slips.map((slip) => slip.getAttribute("aria-label") ?? ""),
  );
  return labels.map((label) => {
    const [, from = "", until = "", plate = ""] = SAID.exec(label) ?? [];
    return { label, from, until, plate, isHeld: label.endsWith("held") };
  });
}

/** The whole day as it is said, lane by lane. */
export const wholeDay = (page: Page): Promise<string[]> =>
  page.$$eval('section[aria-label$="\'s day"]', (lanes) =>
    lanes.map((lane) =>
      [
        lane.getAttribute("aria-label"),
        ...[...lane.querySelectorAll("[data-lane] button")].map((slip) => slip.getAttribute("aria-label")),
      ].join(" | "),
    ),
  );

export const minutesOf = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));
export const clockAt = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;

/** So many cars that nobody knows more of than their plates, each with a job in whose book nothing stands. */
export async function openMany(
  { scratch }: Application,
  count: number,
): Promise<{ id: string; plate: string }[]> {
  const [jobs] = await scratch.owner.sequelize.query(
    `WITH come AS (
       INSERT INTO vehicles (shop_id, id, plate, name)
       SELECT id, gen_random_uuid(), 'MRW ' || 9000 + i, 'Brindle Courier' FROM shops, generate_series(1, $1::int) i
       RETURNING shop_id, id, plate)
     INSERT INTO jobs (shop_id, id, number, vehicle_id, opened_by, opened_at)
     SELECT shop_id, gen_random_uuid(), 9000 + (row_number() OVER ())::int, id, (SELECT opened_by FROM jobs LIMIT 1), now()
       FROM come
     RETURNING id, (SELECT plate FROM come WHERE come.id = vehicle_id)`,
    { bind: [count] },
  );
  return jobs as { id: string; plate: string }[];
}
