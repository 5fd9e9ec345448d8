import { tookOff } from "../../../core/book/acts/index.ts";
import type { Account } from "../../../core/book/entry/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";

/** Things told by a name alone: lines that are capped, coolers that are hung up, tools laid in the engine bay. */
export function NamePad({
  account,
  label,
  names,
  done,
  text,
}: {
  account: Account;
  label: string;
  names: readonly string[];
  /** What the button says behind the name. */
  done: string;
  text?: string;
}) {
  const { page, book, mayBook } = useJob();
  const [name, setName] = useDraft(`pad-${label}:${page.job.id}`, names[0] ?? "");
  const [other, setOther] = useDraft(`pad-other-${label}:${page.job.id}`);
  const item = other.trim().toLowerCase() || name;
  const put = () => {
    book(tookOff({ account, item }, 1, text));
    setOther("");
  };
  return (
    <div className="flex flex-col gap-3">
      <ChipsOne label={label} options={names} value={name} onChange={(value) => value && setName(value)} />
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-36 flex-1">
          <TextField
            label={`${label}: another`}
            maxLength={60}
            value={other}
            onChange={(event) => setOther(event.target.value)}
          />
        </div>
        <Button onClick={put} disabled={!mayBook || !item}>
          {item} {done}
        </Button>
      </div>
    </div>
  );
}
