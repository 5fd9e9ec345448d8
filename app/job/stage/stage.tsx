import { type ComponentType, memo } from "react";
import { useLoaderData } from "react-router";
import { useShared } from "../../ui/useShared.ts";

/** What a stage's own loader has read; nothing where it has none. */
export interface StageRead<Loader> {
  read: ReturnType<typeof useLoaderData<Loader>>;
}

/**
 * A stage as a route: drawn again when its job or what it has read says something else, and not whenever the router reads
 * something anew, which it does after each line.
 */
export function stage<Loader = undefined>(Surface: ComponentType<StageRead<Loader>>) {
  const Kept = memo(Surface) as unknown as typeof Surface;
  return function StageRoute() {
    return <Kept read={useShared(useLoaderData<Loader>())} />;
  };
}
