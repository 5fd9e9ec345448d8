import type { ReactNode } from "react";
import { Button, ButtonLink } from "../ui/Button.tsx";
import { useJob } from "./context.ts";

interface Next {
  label: string;
  to?: string;
  onClick?: () => void;
  disabled?: boolean;
}

/** A stage's work surface: its one question on top, the next step always bottom right. */
export function Work({
  title,
  children,
  next,
  aside,
}: {
  title: string;
  children: ReactNode;
  next?: Next;
  aside?: ReactNode;
}) {
  const { page } = useJob();
  return (
    <>
      <h2 className="mb-4 text-2xl">{title}</h2>
      <div className="flex flex-1 flex-col gap-6">{children}</div>
      <div className="sticky bottom-0 mt-6 flex flex-wrap items-center justify-end gap-3 border-rule border-t bg-paper py-3 max-book:static">
        {aside}
        {next &&
          (next.to ? (
            <ButtonLink to={`/jobs/${page.job.id}/${next.to}`} weight="main" data-next>
              {next.label}
            </ButtonLink>
          ) : (
            <Button weight="main" onClick={next.onClick} disabled={next.disabled} data-next>
              {next.label}
            </Button>
          ))}
      </div>
    </>
  );
}

/** A hazard, shown where it is; tapping it books that it was read. */
export function Caution({ text }: { text: string }) {
  const { entries, book, mayBook } = useJob();
  const isRead = entries.some((entry) => entry.kind === "caution" && entry.text === text);
  if (isRead) return null;
  return (
    <div
      role="note"
      className="flex flex-wrap items-center gap-4 border-ink border-l-[6px] bg-wash py-2 pr-3 pl-4"
    >
      <p className="min-w-56 flex-1 font-bold">{text}</p>
      {mayBook && (
        <Button onClick={() => book({ kind: "caution", text, data: { acknowledged: true } })}>Read it</Button>
      )}
    </div>
  );
}
