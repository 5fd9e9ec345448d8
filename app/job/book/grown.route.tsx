import { data } from "react-router";
import { isId } from "../../../server/desk/is-id.ts";
import { notFound } from "../../../server/desk/refusal.ts";
import { lastSeq } from "../../../server/entries/last-seq.ts";
import { grownBooks } from "../../desk/grown-books.server.ts";
import { guarded } from "../../desk/guard.server.ts";

const BEAT_MS = 15_000;
/** Then the browser asks again, and whoever was signed out meanwhile gets no answer. */
const LONGEST_MS = 5 * 60_000;

/**
 * The number of a book's last line, now and whenever it grows, as server-sent events; just now as JSON where a browser
 * asks for that, since a proxy lets no stream through.
 */
export const loader = guarded("desk", async ({ request, params, member, desk, isStillIn }) => {
  const jobId = params.jobId ?? "";
  const last = () =>
    desk(async (given) => {
      const job = isId(jobId)
        ? await given.models.Job.findOne({
            where: { id: jobId },
            attributes: ["id"],
            transaction: given.transaction,
          })
        : null;
      if (!job) throw notFound("That job");
      return lastSeq(given, jobId);
    });
  const seq = await last();
  if (!request.headers.get("Accept")?.includes("text/event-stream")) return data({ lastSeq: seq });
  const text = new TextEncoder();
  let leave = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(control) {
      const say = (words: string) => {
        try {
          control.enqueue(text.encode(words));
        } catch {
          leave();
        }
      };
      const tell = (grownTo?: number) =>
        (grownTo === undefined ? last() : Promise.resolve(grownTo)).then(
          (now) => say(`data: ${now}\n\n`),
          () => leave(),
        );
      const beat = setInterval(() => {
        say(": here\n\n");
        // Whoever was signed out meanwhile is told no more; where the database can't say, the next beat asks again.
        isStillIn().then(
          (isIn) => isIn || leave(),
          () => undefined,
        );
      }, BEAT_MS);
      const end = setTimeout(() => leave(), LONGEST_MS);
      const unwatch = grownBooks().watch(member.shopId, jobId, tell);
      leave = () => {
        leave = () => {};
        clearInterval(beat);
        clearTimeout(end);
        unwatch();
        try {
          control.close();
        } catch {
          // Closed from the other side already.
        }
      };
      request.signal.addEventListener("abort", () => leave());
      say(`retry: 2000\ndata: ${seq}\n\n`);
    },
    cancel: () => leave(),
  });
  return new Response(stream, {
    headers: { "Content-Type": "text/event-stream", "Cache-Control": "no-store, no-transform" },
  });
});
