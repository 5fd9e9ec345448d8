import { useDraft } from "../../drafts/useDraft.ts";
import { useJob } from "../stage/context.ts";

/** What is typed into an instrument: kept until it is booked or cleared. `put` names a field, `clear` empties them all. */
export function useFields<Fields extends object>(instrument: string, empty: Fields) {
  const { page } = useJob();
  const [fields, setFields] = useDraft<Fields>(`${instrument}:${page.job.id}`, empty);
  const change = (part: Partial<Fields>) => setFields({ ...fields, ...part });
  const put =
    <Name extends keyof Fields>(name: Name) =>
    (value: Fields[Name]) =>
      change({ [name]: value } as unknown as Partial<Fields>);
  return { fields, change, put, clear: () => setFields(empty) };
}
