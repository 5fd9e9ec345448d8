const TITLES: Record<number, string> = {
  404: "Not in the book",
  403: "Not for this role",
  401: "Sign in first",
};

/** The page shown instead of one that can't be. */
export function Apology({ status, message }: { status: number; message?: string }) {
  return (
    <main className="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-4 p-6">
      <p className="figure text-5xl">{status}</p>
      <h1 className="text-3xl">{TITLES[status] ?? "This went wrong"}</h1>
      <p>
        {message ||
          "There is no page at this address. It may have been typed wrongly, or belong to another shop."}
      </p>
      <p>
        <a
          className="inline-flex min-h-12 items-center rounded-md border-2 border-ink px-5 font-bold"
          href="/"
        >
          To today's jobs
        </a>
      </p>
    </main>
  );
}
