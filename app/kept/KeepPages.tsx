import { memo, useEffect } from "react";
import { useMatches } from "react-router";
import type { MemberView } from "../desk/member.ts";
import { keptName } from "./kept-names.ts";
import { forgetOld, forgetPages, keepPage, readPage } from "./kept-pages.ts";

/** After the first screen has been drawn and taken over. */
const AFTER_MS = 1200;
const OLD_MS = 15 * 60_000;

/** Pages that nobody has opened yet and everybody will want without a network: read once in a while, quietly. */
async function keepAtHand(): Promise<void> {
  const names = ["today", "vehicles"];
  const kept = await Promise.all(names.map(readPage));
  const isOld = kept.some((page) => !page || Date.now() - new Date(page.at).getTime() > OLD_MS);
  if (!isOld) return;
  const answer = await fetch("/at-hand", { redirect: "manual" }).catch(() => undefined);
  if (!answer?.ok || !answer.headers.get("Content-Type")?.includes("application/json")) return;
  const pages = (await answer.json()) as Record<string, unknown>;
  for (const name of names) if (pages[name]) await keepPage(name, pages[name]);
}

/** Keeps what came with the page itself, which passes no loader in the browser, and the lists that a day begins with. */
export const KeepPages = memo(function KeepPages({ member }: { member: MemberView }) {
  const matches = useMatches();
  // biome-ignore lint/correctness/useExhaustiveDependencies: what came with the page comes once
  useEffect(() => {
    const timer = setTimeout(async () => {
      const before = (await readPage("frame"))?.data as MemberView | undefined;
      if (before && before.shopId !== member.shopId) await forgetPages();
      for (const { id, params, loaderData } of matches) {
        const name = keptName(id, params, window.location.search);
        if (name && loaderData) await keepPage(name, loaderData);
      }
      await forgetOld();
      await keepAtHand();
    }, AFTER_MS);
    return () => clearTimeout(timer);
  }, [member.personId]);
  return null;
});
