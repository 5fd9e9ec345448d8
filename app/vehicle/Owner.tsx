import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import type { Refused } from "../desk/guard.server.ts";
import { Button } from "../ui/Button.tsx";
import { TextField } from "../ui/Field.tsx";

interface Given {
  vehicleId: string;
  owner: { name: string; phone: string };
}

/** Whose it is: written by anybody of the shop, changed, or forgotten for good. */
export function Owner({ vehicleId, owner }: Given) {
  const fetcher = useFetcher<Refused | { isDone: true }>();
  const [isOpen, setOpen] = useState(false);
  const [isAsked, setAsked] = useState(false);
  const refused = fetcher.data && "refused" in fetcher.data ? fetcher.data.refused : undefined;
  const isSending = fetcher.state !== "idle";
  const { data } = fetcher;
  // Written or forgotten, and shown as it stands: the form has done its work.
  useEffect(() => {
    if (!data || !("isDone" in data)) return;
    setOpen(false);
    setAsked(false);
  }, [data]);
  return (
    <section aria-label="Owner" className="mt-4 flex flex-col gap-3">
      {owner.name ? (
        <p>
          <span className="text-ink-2">Owner</span> <span className="font-bold">{owner.name}</span>
          {owner.phone && (
            <a
              href={`tel:${owner.phone.replace(/[^+\d]/g, "")}`}
              className="figure ml-3 underline underline-offset-4"
            >
              {owner.phone}
            </a>
          )}
        </p>
      ) : (
        !isOpen && <p className="text-ink-2">Nobody has written whose it is.</p>
      )}
      {isOpen ? (
        <fetcher.Form
          method="post"
          action={`/vehicles/${vehicleId}/owner/write`}
          className="flex flex-col gap-3"
        >
          <TextField
            label="Owner's name"
            name="ownerName"
            maxLength={120}
            defaultValue={owner.name}
            error={refused?.fields.ownerName}
          />
          <TextField
            label="Telephone, if wanted"
            name="ownerPhone"
            inputMode="tel"
            maxLength={40}
            className="figure"
            defaultValue={owner.phone}
            error={refused?.fields.ownerPhone}
          />
          <div className="flex flex-wrap gap-2">
            <Button type="submit" disabled={isSending}>
              Write it down
            </Button>
            <Button weight="quiet" onClick={() => setOpen(false)}>
              Leave it
            </Button>
          </div>
        </fetcher.Form>
      ) : isAsked ? (
        <fetcher.Form
          method="post"
          action={`/vehicles/${vehicleId}/owner/forget`}
          className="flex flex-col gap-2"
        >
          <p className="font-bold">Name and telephone go for good; the jobs stay.</p>
          <div className="flex flex-wrap gap-2">
            <Button type="submit" disabled={isSending}>
              Yes, forget this owner
            </Button>
            <Button weight="quiet" onClick={() => setAsked(false)}>
              Keep them
            </Button>
          </div>
        </fetcher.Form>
      ) : (
        <div className="flex flex-wrap gap-2">
          <Button weight="quiet" className="px-0" onClick={() => setOpen(true)}>
            {owner.name ? "Change the owner" : "Write the owner down"}
          </Button>
          {owner.name && (
            <Button weight="quiet" onClick={() => setAsked(true)}>
              Forget this owner
            </Button>
          )}
        </div>
      )}
      <div role="alert">
        {refused?.message && <p className="border-ink border-l-4 pl-3 font-bold">{refused.message}</p>}
      </div>
    </section>
  );
}
