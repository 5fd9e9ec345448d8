import type { Page } from "puppeteer-core";
import { jobId } from "../../demo/seed.ts";
import { demoId } from "../../demo/story.ts";
import { workToVerdict } from "./diagnose.ts";

const job = (key: string, stage: string) => `/jobs/${jobId(key)}/${stage}`;
const typed = (text: string) => (page: Page) => page.locator("[data-entry-line]").fill(text);
const chart = (page: Page) => page.waitForSelector("figure svg");

export interface Screen {
  name: string;
  path: string;
  before?: (page: Page) => Promise<unknown>;
}

/** Every main view with the made-up shop in it: what the screenshots show and the accessibility check walks. */
export const SCREENS: Screen[] = [
  { name: "sign-in", path: "/sign-in" },
  { name: "today", path: "/" },
  { name: "vehicles", path: "/vehicles?find=br" },
  { name: "vehicle", path: `/vehicles/${demoId("vehicle:scholar")}` },
  { name: "add-vehicle", path: "/vehicles/new" },
  { name: "card", path: `/vehicles/${demoId("vehicle:scholar")}/card` },
  { name: "shop", path: "/shop" },
  { name: "ask", path: job("open-find", "ask") },
  { name: "find", path: job("open-find", "find") },
  { name: "plan", path: job("open-build", "plan") },
  { name: "strip", path: job("open-build", "strip"), before: typed("out 3 m6x20 airbox bag 3") },
  { name: "build", path: job("open-build", "build"), before: typed("in 2 m8x25 bag 2") },
  { name: "fill", path: job("open-prove", "fill") },
  { name: "prove", path: job("open-prove", "prove"), before: chart },
  { name: "sign", path: job("open-build", "sign") },
  {
    name: "find-verdict",
    path: job("open-find", "find"),
    before: (page) => workToVerdict(page, "switch-2", "switch-open", "keyboard"),
  },
];
