import { isRouteErrorResponse, Link, useRevalidator, useRouteError } from "react-router";
import { Button } from "../ui/Button.tsx";

const TITLES: Record<number, string> = {
  404: "Not in the book",
  403: "Not for this role",
  401: "Sign in first",
  503: "Not read here yet",
};
const BROKE = "The page broke while it was drawn. What was booked is safe; load it again.";
const NOT_THERE =
  "There is no page at this address. It may have been typed wrongly, or belong to another shop.";

/** Stands in the place of one page that can't be shown; the rail and what is unsent stay around it. */
export function Unread() {
  const error = useRouteError();
  const { revalidate, state } = useRevalidator();
  const isAnswer = isRouteErrorResponse(error);
  const status = isAnswer ? error.status : 500;
  const said = isAnswer ? (error.data as { message?: string } | null)?.message : BROKE;
  return (
    <main id="work" className="mx-auto flex max-w-xl flex-col justify-center gap-4 p-6">
      <p className="figure text-5xl">{status}</p>
      <h1 className="text-3xl">{TITLES[status] ?? "This went wrong"}</h1>
      <p>{said || NOT_THERE}</p>
      <p className="flex flex-wrap gap-3">
        {status >= 500 && (
          <Button disabled={state !== "idle"} onClick={() => void revalidate()}>
            Try again
          </Button>
        )}
        <Link
          className="inline-flex min-h-12 items-center rounded-md border-2 border-ink px-5 font-bold"
          to="/"
        >
          To today's jobs
        </Link>
      </p>
    </main>
  );
}
