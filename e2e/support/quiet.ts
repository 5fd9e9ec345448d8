import type { CDPSession, Page } from "puppeteer-core";

/** The session that the page itself listens on; one of our own would be told of each request as well and change nothing. */
const sessionOf = (page: Page) => (page as unknown as { _client: () => CDPSession })._client();

/**
 * Keeps a page from telling of each of its hundred requests, which costs a walk as much as loading it: until it asks to
 * stand between the page and the network, or to cut it off.
 */
export async function quiet(page: Page): Promise<Page> {
  await sessionOf(page).send("Network.disable");
  const heard =
    <Given extends unknown[]>(act: (...given: Given) => Promise<void>) =>
    async (...given: Given) => {
      await sessionOf(page).send("Network.enable");
      await act(...given);
    };
  const once = page.once.bind(page);
  return Object.assign(page, {
    once: ((what, tell) => {
      void sessionOf(page).send("Network.enable");
      return once(what, tell);
    }) as Page["once"],
    setRequestInterception: heard(page.setRequestInterception.bind(page)),
    setOfflineMode: heard(page.setOfflineMode.bind(page)),
    setCacheEnabled: heard(page.setCacheEnabled.bind(page)),
    emulateNetworkConditions: heard(page.emulateNetworkConditions.bind(page)),
  });
}
