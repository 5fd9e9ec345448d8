import { useEffect, useState } from "react";

const AGAIN_MS = 3000;

export interface Later<Value> {
  /** The part once it is here, nothing until then; asked for again while it can't be had. */
  use: () => Value | undefined;
  fetch: () => Promise<Value>;
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
  const use = () => {
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
      void ask();
      return () => {
        isGone = true;
        clearTimeout(timer);
      };
    }, []);
    return part?.value;
  };
  return { use, fetch };
}
