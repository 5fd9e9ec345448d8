import type { ReactNode } from "react";

/** One matter of the shop, on a sheet of its own. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="rounded-lg border border-rule bg-sheet p-5">
      <h2 className="mb-3 text-2xl">{title}</h2>
      {children}
    </section>
  );
}
