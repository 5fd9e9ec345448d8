import { useId, useRef } from "react";
import { useFetcher } from "react-router";
import type { ListTrouble } from "../../core/kernel/csv/index.ts";
import type { Refused } from "../desk/guard.server.ts";
import { Button } from "./Button.tsx";

/** What a list that was handed in came to. */
export interface ListAnswer extends Partial<Refused> {
  troubles?: ListTrouble[];
  added?: number;
  changed?: number;
  known?: number;
  struck?: number;
  leftOut?: string[];
}

/** Takes a whole list in, or none of it with each wrong line named; and gives the same list out. */
export function TakeList({
  address,
  title = "As a list",
  wants,
  out,
  told,
}: {
  /** Where the list goes to and comes from. */
  address: string;
  title?: string;
  /** What its first line has to name. */
  wants: string;
  /** What the list is called as it goes out; nothing where there is none yet. */
  out?: string;
  /** What became of a list that was taken in. */
  told: (answer: ListAnswer) => string;
}) {
  const fetcher = useFetcher<ListAnswer>();
  const heading = useId();
  const file = useRef<HTMLInputElement>(null);
  const { troubles = [], refused, added, leftOut = [] } = fetcher.data ?? {};
  return (
    <section aria-labelledby={heading} className="flex flex-col gap-3">
      <h2 id={heading} className="text-2xl">
        {title}
      </h2>
      <p className="text-ink-2">{wants}</p>
      <div className="flex flex-wrap gap-3">
        <Button disabled={fetcher.state !== "idle"} onClick={() => file.current?.click()}>
          Take in a list
        </Button>
        {out && (
          <a
            href={address}
            download
            className="inline-flex min-h-12 items-center font-bold underline underline-offset-4"
          >
            {out}
          </a>
        )}
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv"
          hidden
          data-list
          onChange={({ currentTarget }) => {
            const [chosen] = currentTarget.files ?? [];
            if (!chosen) return;
            const form = new FormData();
            form.set("list", chosen);
            // Only now: the same file may be chosen again once it is mended.
            currentTarget.value = "";
            void fetcher.submit(form, { method: "post", action: address, encType: "multipart/form-data" });
          }}
        />
      </div>
      <div role="alert">
        {refused && <p className="border-ink border-l-4 pl-3 font-bold">{refused.message}</p>}
        {troubles.length > 0 && (
          <ul className="max-h-80 overflow-y-auto">
            {troubles.map(({ line, column, words }) => (
              <li key={`${line} ${column} ${words}`}>
                Line <span className="figure">{line}</span>
                {column && `, ${column}`}: {words}
              </li>
            ))}
          </ul>
        )}
      </div>
      <p role="status">
        {added !== undefined &&
          fetcher.data &&
          `${told(fetcher.data)}${leftOut.length > 0 ? ` Left out: ${leftOut.join(", ")}.` : ""}`}
      </p>
    </section>
  );
}
