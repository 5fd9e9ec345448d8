import { useEffect } from "react";
import { STAGES } from "../../core/book/entry/index.ts";

interface Manifest {
  routes: Record<string, { module: string; imports?: string[] } | undefined>;
}

/** What the stages are drawn without, and fetch once they are. */
const PARTS = [
  () => import("./book/line-reader.ts"),
  () => import("./prove/WarmUpChart.tsx"),
  () => import("./plan/PlanTools.tsx"),
  () => import("./plan/cool/WillItCoolPart.tsx"),
  () => import("./plan/fit/Bolt.tsx"),
  () => import("./plan/fit/FitTable.tsx"),
  () => import("./plan/order/OrderOfWork.tsx"),
  () => import("./plan/which/WhichPart.tsx"),
  () => import("./plan/wiring/FanWiring.tsx"),
  () => import("./strip/StripTools.tsx"),
  () => import("./apart/BagLabels.tsx"),
  () => import("./fill/mix/Mix.tsx"),
  () => import("./fill/bleed/Stairs.tsx"),
  () => import("./prove/Compare.tsx"),
  () => import("./prove/PressureTest.tsx"),
  () => import("./find/instruments/Instruments.tsx"),
  () => import("./build/BuildTools.tsx"),
  () => import("./find/BeliefPicture.tsx"),
  () => import("./find/instruments/Sensor.tsx"),
  () => import("../workers/planner-here.ts"),
  () => import("../workers/traces-here.ts"),
];

/** A part is compiled and run as it comes: between two of them a tap is answered first. */
const idle = () =>
  new Promise<void>((free) => {
    if ("requestIdleCallback" in window) requestIdleCallback(() => free());
    else setTimeout(free, AFTER_MS);
  });

async function fetchParts(): Promise<void> {
  for (const fetchPart of PARTS) {
    await idle();
    await fetchPart().catch(() => undefined);
  }
  // From here on a network may go: whoever waits for that, as a test does, can see it.
  document.documentElement.dataset.stagesAtHand = "";
}

/** What is fetched for later holds up nothing that is looked at now. */
const AFTER_MS = 1500;

/**
 * Fetches every stage's scripts once the job is on screen, so that a network that dies then keeps nobody out of a stage.
 * Only asks the browser to: a fetch that fails is nobody's trouble, where importing a script that can't be had would
 * make the router load the whole page again.
 */
export function useStagesAtHand(): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const later = () => {
      timer = setTimeout(fetchStages, AFTER_MS);
    };
    if (document.readyState === "complete") later();
    else window.addEventListener("load", later, { once: true });
    return () => {
      clearTimeout(timer);
      window.removeEventListener("load", later);
    };
  }, []);
}

function fetchStages(): void {
  const { __reactRouterManifest: manifest } = window as unknown as { __reactRouterManifest?: Manifest };
  const scripts = STAGES.flatMap((stage) => {
    const route = manifest?.routes[`job/${stage}/route`];
    return route ? [route.module, ...(route.imports ?? [])] : [];
  });
  const links = [...document.querySelectorAll<HTMLLinkElement>('link[rel="modulepreload"]')];
  const known = new Set(links.map((link) => link.getAttribute("href")));
  const missing = [...new Set(scripts)].filter((href) => !known.has(href));
  // One at a time: a script is also compiled as it comes, and a tap in between wants the processor.
  const fetchNext = () => {
    const href = missing.shift();
    if (!href) return void fetchParts();
    const link = document.createElement("link");
    link.rel = "modulepreload";
    link.href = href;
    link.onload = link.onerror = fetchNext;
    document.head.append(link);
  };
  fetchNext();
}
