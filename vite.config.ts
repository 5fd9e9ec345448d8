import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

/** What so many of the pages share comes as one file: over a slow network a file costs more than its bytes. */
const TOGETHER = {
  groups: [
    {
      name: "react",
      test: /node_modules[\\/](?:react|react-dom|react-router|scheduler)[\\/]|preload-helper/,
      priority: 3,
    },
    // What draws charts comes with the first of them: most pages open without one.
    { name: "charts", test: /node_modules[\\/](?:d3-|internmap)|[\\/]app[\\/]charts[\\/]/, priority: 3 },
    { name: "every-page", minShareCount: 14, priority: 2 },
    {
      name: "kit",
      test: /[\\/]app[\\/](?:ui|shell|desk|outbox|kept|drafts|keys)[\\/]/,
      minShareCount: 5,
      priority: 2,
    },
    {
      name: "every-stage",
      test: /[\\/](?:app[\\/]job|core[\\/](?:state|stages|book[\\/](?:acts|admit|heat|out|parts)|trade[\\/](?:bleed|coolant|diagnosis(?![\\/]knowledge)|drain|fit|leaks|order)))[\\/]/,
      minShareCount: 7,
      priority: 1,
    },
  ],
};

/** Taken into the server's build, since read whole they were a third of the time until a server is up. */
const OF_WHICH_LITTLE_IS_USED =
  /^(?:lucide-react|radix-ui|@radix-ui|class-validator|validator|@floating-ui|react-remove-scroll(?:-bar)?|react-style-singleton|use-callback-ref|use-sidecar|aria-hidden|get-nonce|tslib)(?:\/|$)/;

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [tailwindcss(), reactRouter()],
  worker: { format: "es" },
  ssr: { noExternal: OF_WHICH_LITTLE_IS_USED },
  build: {
    target: "es2022",
    ...(isSsrBuild ? {} : { rolldownOptions: { output: { codeSplitting: TOGETHER } } }),
  },
}));
