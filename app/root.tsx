import figuresFont from "@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2?url";
import wordsFont from "@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url";
import type { ReactNode } from "react";
import {
  isRouteErrorResponse,
  Links,
  type LinksFunction,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useRouteError,
  useRouteLoaderData,
} from "react-router";
import type { Route } from "./+types/root";
import styles from "./app.css?url";
import { type Preferences, readPreferences } from "./desk/cookies.server.ts";
import { openToAll } from "./desk/guard.server.ts";
import { useNonce } from "./desk/nonce.ts";
import { staysWhileBrowsing } from "./desk/stays.ts";
import { keptReading } from "./kept/reading.ts";
import { Apology } from "./shell/Apology.tsx";

const preloaded = (href: string) => ({
  rel: "preload",
  as: "font",
  type: "font/woff2",
  href,
  crossOrigin: "anonymous" as const,
});

export const links: LinksFunction = () => [
  preloaded(wordsFont),
  preloaded(figuresFont),
  { rel: "stylesheet", href: styles },
  { rel: "icon", href: "/mark.svg", type: "image/svg+xml" },
  { rel: "apple-touch-icon", href: "/icon-192.png" },
  { rel: "manifest", href: "/manifest.webmanifest" },
];

export const loader = openToAll(({ request }) => readPreferences(request));

export const clientLoader = keptReading<Preferences>("root", async () => ({ theme: "system" }));

export { staysWhileBrowsing as shouldRevalidate };

export const meta: Route.MetaFunction = () => [{ title: "Warm Ledger" }];

export function Layout({ children }: { children: ReactNode }) {
  const preferences = useRouteLoaderData<typeof loader>("root");
  const nonce = useNonce();
  return (
    <html lang="en" data-theme={preferences?.theme ?? "system"}>
      <head>
        <meta charSet="utf-8" />
        <meta
          name="viewport"
          content="width=device-width, initial-scale=1, interactive-widget=resizes-content"
        />
        <meta name="description" content="A shop's book for engine cooling jobs: from complaint to signed." />
        <meta name="theme-color" media="(prefers-color-scheme: light)" content="#fbf7ee" />
        <meta name="theme-color" media="(prefers-color-scheme: dark)" content="#1b1815" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function Root() {
  return <Outlet />;
}

/** What the shell shows while it reads what is kept here. */
export function HydrateFallback() {
  return (
    <main data-opening className="flex min-h-dvh items-center justify-center p-6">
      <p className="text-ink-2 text-xl">Opening what is kept here.</p>
    </main>
  );
}

/** Errors that reach the top: a page that isn't there, a refusal, or a fault with its reference. */
export function ErrorBoundary() {
  const error = useRouteError();
  if (isRouteErrorResponse(error)) {
    const said = (error.data as { message?: string } | null)?.message;
    return <Apology status={error.status} message={said} />;
  }
  return (
    <Apology
      status={500}
      message="The page broke while it was drawn. What was booked is safe; load it again."
    />
  );
}
