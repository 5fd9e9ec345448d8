import { didTask } from "../../../core/book/acts/index.ts";
import { factOf, TaskDone } from "../../../core/book/facts/index.ts";
import type { TaskLine } from "../../../core/book/out/index.ts";
import { Button } from "../../ui/Button.tsx";
import { useJob } from "../stage/context.ts";
import { sayTick } from "../stage/tick-id.ts";

/** Something to do in this job beside its order of work. */
export function TaskRow({ task }: { task: TaskLine }) {
  const { page, entries, book, mayBook } = useJob();
  return (
    <li className="flex flex-wrap items-center gap-3 border-rule border-b py-3">
      <span className="min-w-48 flex-1">
        <span className="block font-bold text-lg leading-snug">{task.words}</span>
        {task.minutes > 0 && (
          <span className="text-ink-2">{task.minutes} min, so that the new part fits</span>
        )}
      </span>
      <Button
        aria-label={`Is done: ${task.words}`}
        disabled={!mayBook}
        onClick={() =>
          book(didTask(task), [
            sayTick(page.job.id, entries, `task:${task.entryId}`, (entry) => {
              const said = factOf(entry)?.fact;
              return said instanceof TaskDone && said.task === task.entryId;
            }),
          ])
        }
      >
        Is done
      </Button>
    </li>
  );
}
