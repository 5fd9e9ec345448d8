import { useEffect, useRef } from "react";
import { announce } from "./announcer.ts";

/** Says words to a screen reader whenever what they are of changes: figures in them may change on without a word. */
export function Announced({ words, of }: { words: string; of: string }) {
  const now = useRef(words);
  now.current = words;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each of what they are of
  useEffect(() => announce(now.current), [of]);
  return null;
}
