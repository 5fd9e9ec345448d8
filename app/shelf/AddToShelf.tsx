import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { GRADES } from "../../core/facts/index.ts";
import { INHIBITORS, type ListTrouble } from "../../core/shelf/index.ts";
import type { Refused } from "../shell/guard.server.ts";
import { useMember } from "../shell/member.ts";
import { Button } from "../ui/Button.tsx";
import { Choice, TextField } from "../ui/Field.tsx";

/** What a list that was handed in came to. */
interface ListAnswer extends Partial<Refused> {
  troubles?: ListTrouble[];
  added?: number;
  changed?: number;
  leftOut?: string[];
}

function TakeList() {
  const fetcher = useFetcher<ListAnswer>();
  const file = useRef<HTMLInputElement>(null);
  const { troubles = [], refused, added, changed, leftOut = [] } = fetcher.data ?? {};
  return (
    <section aria-labelledby="list" className="flex flex-col gap-3">
      <h2 id="list" className="text-2xl">
        As a list
      </h2>
      <p className="text-ink-2">
        CSV whose first line names item, grade, supplier, price and days; kind, freight, guarantees and
        approval if there are any.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button disabled={fetcher.state !== "idle"} onClick={() => file.current?.click()}>
          Take in a list
        </Button>
        <a
          href="/shelf/list.csv"
          download
          className="inline-flex min-h-12 items-center font-bold underline underline-offset-4"
        >
          The shelf as a list
        </a>
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv"
          hidden
          data-shelf-list
          onChange={({ currentTarget }) => {
            const [chosen] = currentTarget.files ?? [];
            currentTarget.value = "";
            if (!chosen) return;
            const form = new FormData();
            form.set("list", chosen);
            void fetcher.submit(form, {
              method: "post",
              action: "/shelf/list.csv",
              encType: "multipart/form-data",
            });
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
          `${added} put on the shelf, ${changed} brought up to date.${leftOut.length > 0 ? ` Left out: ${leftOut.join(", ")}.` : ""}`}
      </p>
    </section>
  );
}

/** One part or coolant onto the shelf, or a whole list of them. */
export function AddToShelf() {
  const { currency } = useMember();
  const fetcher = useFetcher<Partial<Refused> & { isDone?: boolean }>();
  const [kind, setKind] = useState("part");
  const form = useRef<HTMLFormElement>(null);
  const fields = fetcher.data?.refused?.fields ?? {};
  const isDone = fetcher.data?.isDone;
  // biome-ignore lint/correctness/useExhaustiveDependencies: emptied once for each thing put on it
  useEffect(() => {
    if (isDone) form.current?.reset();
  }, [fetcher.data]);
  return (
    <div className="mt-8 grid gap-8 xl:grid-cols-[1fr_24rem]">
      <section aria-labelledby="add">
        <h2 id="add" className="mb-3 text-2xl">
          Put on the shelf
        </h2>
        <fetcher.Form
          ref={form}
          method="post"
          action="/shelf"
          className="grid items-start gap-4 sm:grid-cols-3"
        >
          <Choice
            label="Kind"
            name="kind"
            value={kind}
            onChange={(event) => setKind(event.target.value)}
            error={fields.kind}
          >
            <option value="part">part</option>
            <option value="coolant">coolant</option>
          </Choice>
          <TextField label="What it is" name="item" maxLength={80} required error={fields.item} />
          <Choice label={kind === "coolant" ? "Inhibitor kind" : "Grade"} name="grade" error={fields.grade}>
            {(kind === "coolant" ? INHIBITORS : GRADES).map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Choice>
          {kind === "coolant" && (
            <TextField
              label="Approvals on the can"
              name="approval"
              maxLength={80}
              hint="As it names them, apart by commas"
              error={fields.approval}
            />
          )}
          <TextField label="Supplier" name="supplier" maxLength={80} required error={fields.supplier} />
          <TextField
            label="Price"
            name="price"
            unit={currency}
            inputMode="decimal"
            required
            maxLength={12}
            error={fields.price}
          />
          <TextField
            label="Freight"
            name="freight"
            unit={currency}
            inputMode="decimal"
            maxLength={12}
            error={fields.freight}
          />
          <TextField
            label="Days until it is here"
            name="days"
            inputMode="decimal"
            required
            maxLength={6}
            error={fields.days}
          />
          <TextField
            label="Guarantee on the part, days"
            name="part_guarantee_days"
            inputMode="numeric"
            maxLength={5}
            error={fields.part_guarantee_days}
          />
          <TextField
            label="Guarantee on the work, days"
            name="labour_guarantee_days"
            inputMode="numeric"
            maxLength={5}
            error={fields.labour_guarantee_days}
          />
          <div className="sm:col-span-3">
            <Button type="submit" disabled={fetcher.state !== "idle"}>
              Put it on the shelf
            </Button>
            <span role="status" className="ml-4">
              {isDone && fetcher.state === "idle" && "It is on the shelf."}
            </span>
          </div>
        </fetcher.Form>
      </section>
      <TakeList />
    </div>
  );
}
