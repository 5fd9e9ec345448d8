import { writeCalendar } from "../../server/subjects/follow-ups/calendar.ts";
import { readPromises } from "../../server/subjects/follow-ups/read-promises.ts";
import { guarded } from "../desk/guard.server.ts";

const DAYS_AHEAD = 366;

/** The second looks as a file, for a calendar that reads one. */
export const loader = guarded("desk", async ({ origin, desk, member }) => {
  const text = await desk(async (given) =>
    writeCalendar(await readPromises(given, { days: DAYS_AHEAD }), {
      shopName: member.shopName,
      host: origin,
      now: given.now,
      system: member.units,
    }),
  );
  return new Response(text, {
    headers: {
      "Content-Type": "text/calendar; charset=utf-8",
      "Content-Disposition": 'attachment; filename="second-looks.ics"',
    },
  });
});
