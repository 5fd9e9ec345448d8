import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { KINDS } from "../../core/trade/coolant/index.ts";
import { GRADES } from "../../core/trade/sourcing/index.ts";
import type { Refused } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { Button } from "../ui/Button.tsx";
import { Choice, TextField } from "../ui/Field.tsx";
import { TakeList } from "../ui/TakeList.tsx";

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
            {(kind === "coolant" ? KINDS : GRADES).map((each) => (
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
      <TakeList
        address="/shelf/list.csv"
        wants="CSV whose first line names item, grade, supplier, price and days; kind, freight, guarantees and approval if there are any."
        out="The shelf as a list"
        told={({ added = 0, changed = 0 }) => `${added} put on the shelf, ${changed} brought up to date.`}
      />
    </div>
  );
}
