import { VERDICT_WORDS, type Verdict } from "../../core/kernel/verdict/index.ts";

/** The verdict by its shape: a filled disc with a tick, a notched square, an open ring with a dash. */
export function VerdictShape({ verdict, size = 20 }: { verdict: Verdict; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 20 20"
      role="img"
      aria-label={VERDICT_WORDS[verdict]}
      className="shrink-0"
    >
      <VerdictPath verdict={verdict} />
    </svg>
  );
}

/** The same shapes for use inside a drawing, 20 × 20 from the origin. */
export function VerdictPath({ verdict }: { verdict: Verdict }) {
  if (verdict === "pass") {
    return (
      <>
        <circle cx="10" cy="10" r="9" fill="var(--ink)" />
        <path d="M5.5 10.5l3 3 6-6.5" fill="none" stroke="var(--paper)" strokeWidth="2.2" />
      </>
    );
  }
  if (verdict === "fail") return <path d="M1.5 1.5h17v17h-6v-7h-5v7h-6z" fill="var(--ink)" />;
  return (
    <>
      <circle cx="10" cy="10" r="8" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
      <path d="M6 10h8" stroke="var(--ink)" strokeWidth="2.2" />
    </>
  );
}

export function VerdictWord({ verdict }: { verdict: Verdict }) {
  return (
    <span className="inline-flex items-center gap-2 font-bold">
      <span aria-hidden="true">
        <VerdictShape verdict={verdict} />
      </span>
      {VERDICT_WORDS[verdict]}
    </span>
  );
}
