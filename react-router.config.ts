import type { Config } from "@react-router/dev/config";

// Every route is known from the first page on: asking for more of them needs a network that may be gone by then.
export default { appDirectory: "app", ssr: true, routeDiscovery: { mode: "initial" } } satisfies Config;
