import { useEffect } from "react";
import { useFetcher } from "react-router";
import { plainPart } from "../../core/book/parts/index.ts";
import type { PartSpan } from "../../core/stages/earlier-jobs/index.ts";
import { later } from "../ui/later.ts";

const lives = later(() => import("../shelf/Lives.tsx"));

/** How long the parts that this vehicle has had last in the shop's cars: asked for beside the page, and left out without a server. */
export function LivesHere({ parts }: { parts: readonly { item: string }[] }) {
  const Lives = lives.use()?.Lives;
  const { load, data } = useFetcher<PartSpan[]>();
  useEffect(() => void load("/shelf/lives"), [load]);
  const had = new Set(parts.map(({ item }) => plainPart(item)));
  const spans = (data ?? []).filter(({ item }) => had.has(item));
  return Lives && spans.length > 0 ? <Lives spans={spans} /> : null;
}
