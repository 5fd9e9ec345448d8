import { useEffect, useState } from "react";

const AGAIN_MS = 3000;

export interface Later<Value> {
  /** The part once it is here, nothing until then; asked for again while it can't be had. Not wanted yet, it lets the page come first. */
  use: (isWanted?: boolean) => Value | undefined;
  fetch: () => Promise<Value>;
}

/** Tells once the page has all that it was drawn from and is at rest. */
function onceAtRest(tell: () => void): void {
  // One browser family has no such moment of its own.
  const rest = () => (window.requestIdleCallback ? window.requestIdleCallback(tell) : setTimeout(tell, 1));
  if (document.readyState === "complete") rest();
  else window.addEventListener("load", rest, { once: true });
}

/**
 * A part of the program that no page waits for: what is tapped first is there first. Not by `lazy`, which takes one
 * answer that never came for its last.
 */
export function later<Value>(load: () => Promise<Value>): Later<Value> {
  let atHand: { value: Value } | undefined;
  const fetch = async () => {
    atHand ??= { value: await load() };
    return atHand.value;
  };
  const use = (isWanted = true) => {
    const [part, setPart] = useState(atHand);
    useEffect(() => {
      let timer: ReturnType<typeof setTimeout>;
      let isGone = false;
      const ask = () =>
        fetch().then(
          (value) => {
            if (!isGone) setPart({ value });
          },
          () => {
            if (!isGone) timer = setTimeout(ask, AGAIN_MS);
          },
        );
      if (isWanted || atHand) void ask();
      else onceAtRest(() => !isGone && void ask());
      return () => {
        isGone = true;
        clearTimeout(timer);
      };
    }, [isWanted]);
    return part?.value;
  };
  return { use, fetch };
}
