import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { useMember } from "../desk/member.ts";

const DARK = "(prefers-color-scheme: dark)";

/** Whether it is the dim bay now, and the way to the other: the system's own setting until somebody has chosen. */
export function useTheme(): { isDim: boolean; toggle: () => void } {
  const { theme } = useMember();
  const preferences = useFetcher();
  const [isSystemDark, setSystemDark] = useState(false);
  useEffect(() => {
    const system = matchMedia(DARK);
    const look = () => setSystemDark(system.matches);
    look();
    system.addEventListener("change", look);
    return () => system.removeEventListener("change", look);
  }, []);
  const isDim = theme === "system" ? isSystemDark : theme === "dim";
  // Shown at once, whether or not there is a server to remember it.
  const toggle = () => {
    const next = isDim ? "day" : "dim";
    document.documentElement.dataset.theme = next;
    void preferences.submit({ theme: next }, { method: "post", action: "/preferences" });
  };
  return { isDim, toggle };
}
