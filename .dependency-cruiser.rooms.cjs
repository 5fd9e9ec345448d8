/** Arrows between rooms point down only, and no circle goes through folders. What is only tested with may look anywhere. */
const CORE = ["kernel", "trade", "book", "state", "stages", "(language|report)"];
const SERVER = [
  "desk",
  "(threads|database|archive|instruments)",
  "cards",
  "entries",
  "(backups|verify)",
  "subjects",
  "books",
  "reports",
  "chores",
  "commands",
];
/** Screens stand side by side above what all of them use. */
const APP = [
  "keys",
  "desk",
  "ui",
  "(charts|drafts|kept|workers)",
  "outbox",
  "(calendar|job|shelf|shell|shop|sign-in|today|vehicle.*|watch)",
];

/** No room of a floor asks one that stands above it; they are named from the ground up. */
const floor = (name, rooms) =>
  rooms.slice(0, -1).map((room, index) => ({
    name: `${name}-${room}-looks-down`,
    severity: "error",
    from: { path: `^${name}/${room}/` },
    to: { path: `^${name}/(${rooms.slice(index + 1).join("|")})/` },
  }));

module.exports = {
  forbidden: [
    {
      name: "no-circle-of-folders",
      severity: "error",
      scope: "folder",
      from: { path: "^core/" },
      to: { circular: true },
    },
    {
      name: "kernel-knows-no-trade",
      severity: "error",
      from: { path: "^core/kernel/" },
      to: { path: "^core/", pathNot: "^core/kernel/" },
    },
    {
      name: "language-and-report-stand-apart",
      severity: "error",
      from: { path: "^core/(language|report)/" },
      to: { path: "^core/(language|report)/", pathNot: "^core/$1/" },
    },
    {
      name: "through-the-door",
      comment: "A subject of the core is asked through its index.ts",
      severity: "error",
      from: { path: "^core/([a-z]+/[a-z-]+)/" },
      to: { path: "^core/[a-z]+/[a-z-]+/", pathNot: "(^core/$1/|/index\\.ts$)" },
    },
    {
      name: "core-through-its-doors",
      severity: "error",
      from: { path: "^(server|app|demo|bin|stand-ins)/" },
      to: { path: "^core/", pathNot: "/index\\.ts$" },
    },
    ...floor("core", CORE),
    ...floor("server", SERVER),
    ...floor("app", APP),
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.(test|fixture)\\.tsx?$|node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".js", ".mjs", ".json"] },
  },
};
