import { Link } from "react-router";
import { thing } from "../../../core/book/out/index.ts";
import { hoursAndMinutes } from "../../../core/kernel/days/index.ts";
import type { LastOnModel } from "../../../server/books/jobs/read-last-on-model.ts";
import { dateOf } from "../../ui/dates.ts";
import { useJob } from "./context.ts";

const MOST = 12;

/** What was learned on the last job on the same model: how long, which bags, what broke, which side first. */
export function LastTime({ last }: { last: LastOnModel | null }) {
  const { timeZone } = useJob();
  if (!last) return null;
  const { model, plate, number, jobId, signedAt, minutes, broke, firstSide, outs } = last;
  const bagged = outs.filter(({ account }) => account === "fastener" || account === "clip");
  const hoses = outs.filter(({ account }) => account === "hose");
  const rows: [name: string, words: string][] = [
    ["At the car", minutes > 0 ? hoursAndMinutes(minutes) : ""],
    [
      "Bags",
      bagged
        .slice(0, MOST)
        .map(
          ({ count, item, place, where }) =>
            `${place || "no bag"}: ${count} × ${item}${where ? `, ${where}` : ""}`,
        )
        .join("; "),
    ],
    ["Hoses off", hoses.map((hose) => thing(hose)).join(", ")],
    ["Broke", broke.join(", ")],
    ["First side", firstSide ?? ""],
  ];
  return (
    <section aria-labelledby="last-time">
      <h3 id="last-time" className="text-xl">
        Last time on a {model}
      </h3>
      <p className="text-ink-2">
        <span className="figure">{plate}</span>, job{" "}
        <Link to={`/jobs/${jobId}`} className="underline underline-offset-4">
          {number}
        </Link>
        , {dateOf(signedAt, timeZone)}
      </p>
      <dl className="border-ink border-t-2">
        {rows
          .filter(([, words]) => words)
          .map(([name, words]) => (
            <div key={name} className="grid gap-x-4 border-rule border-b py-1 sm:grid-cols-[8rem_1fr]">
              <dt className="text-ink-2">{name}</dt>
              <dd className="break-words">{words}</dd>
            </div>
          ))}
      </dl>
    </section>
  );
}
