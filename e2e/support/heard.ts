import type { ElementHandle, Page } from "puppeteer-core";

/** A click comes a moment after the finger has left; one that hasn't come by then will not. */
const CLICK_MS = 5000;

/** What became of a tap: taken by its control, refused there as a slip, gone to what had moved under it, or nowhere. */
export type Heard = "taken" | "slipped" | "elsewhere" | "unheard";

interface Listening {
  heardTap?: Heard;
}

/** Listens in the page for the next click anywhere. */
function listen(control: Element): void {
  const here = window as unknown as Listening;
  here.heardTap = undefined;
  const hear = (event: Event) => {
    const isIt = event.target instanceof Node && control.contains(event.target);
    // Who refuses a slip has marked it by the end of this event.
    setTimeout(() => {
      here.heardTap = isIt ? (control.closest("[data-slipped]") ? "slipped" : "taken") : "elsewhere";
    });
  };
  window.addEventListener("click", hear, { capture: true, once: true });
}

/** Waits in the page for what was heard: from now on, since a slow machine may have been long about the tap itself. */
async function hear(longestMs: number): Promise<Heard> {
  const here = window as unknown as Listening;
  const end = performance.now() + longestMs;
  while (!here.heardTap && performance.now() < end) await new Promise((resolve) => setTimeout(resolve, 10));
  return here.heardTap ?? "unheard";
}

/** Does to a control what `act` does, and tells what the page heard of it; a page that was left by the tap has taken it. */
export async function heardBy(
  page: Page,
  control: ElementHandle<Element>,
  act: () => Promise<void>,
): Promise<{ heard: Heard; trouble?: unknown }> {
  await control.evaluate(listen);
  const trouble = await act().then(
    () => undefined,
    (thrown: unknown) => thrown,
  );
  const heard = await page.evaluate(hear, trouble ? 0 : CLICK_MS).catch((): Heard => "taken");
  return trouble ? { heard, trouble } : { heard };
}
