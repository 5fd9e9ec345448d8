import { whenOf } from "../ui/dates.ts";
import { VerdictShape } from "../ui/VerdictMark.tsx";

/** When everything was last backed up, and that somebody has to see to it where that is too long ago. */
export function Backup({
  takenAt,
  isOld,
  timeZone,
}: {
  takenAt: string | null;
  isOld: boolean;
  timeZone: string;
}) {
  return (
    <>
      <p className="flex items-center gap-2 font-bold">
        <VerdictShape verdict={isOld ? "fail" : "pass"} />
        {takenAt ? `Last backed up ${whenOf(takenAt, timeZone)}` : "Never backed up"}
      </p>
      <p className="mt-1 text-ink-2">
        {isOld
          ? `A broken disk would take ${takenAt ? "what was written since" : "everything"}. Whoever runs the server types: npm run backup`
          : "Restored beside the shop's own and found the same."}
      </p>
    </>
  );
}
