import { type RefObject, useEffect, useRef } from "react";
import { type KeyDoing, KeyRegistry } from "./key-registry.ts";

/** The browser's one board of keys: there is one keyboard. Only effects touch it, so that the server never does. */
export const keyBoard = new KeyRegistry();

/** Puts a part's keys on the board while it is on screen. `within` where they act only with focus inside. */
export function useKeys(
  name: string,
  keys: readonly KeyDoing[],
  within?: RefObject<HTMLElement | null>,
): void {
  const latest = useRef(keys);
  latest.current = keys;
  const shape = keys.map(({ key, what = "" }) => `${key}\u0000${what}`).join("\u0001");
  useEffect(() => {
    const rows = shape === "" ? [] : shape.split("\u0001").map((row) => row.split("\u0000"));
    return keyBoard.add({
      name,
      ...(within ? { within: () => within.current } : {}),
      keys: rows.map(([key = "", what], index) => ({
        key,
        ...(what ? { what } : {}),
        ...(latest.current[index]?.shown ? { shown: latest.current[index].shown } : {}),
        act: () => latest.current[index]?.act(),
      })),
    });
  }, [name, shape, within]);
}
