/** Arrows between floors point down only: app, then server, then core. See docs/decisions/. */
const up = (name, from, to, comment) => ({
  name,
  comment,
  severity: "error",
  from: { path: from },
  to: { path: to },
});
module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    up(
      "core-stands-alone",
      "^core/",
      "^(server|app|demo|bin|e2e)/",
      "core imports nothing from the other floors",
    ),
    {
      name: "core-has-no-platform",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { path: "^node_modules/(react|react-dom|react-router|sequelize|pg|express)(/|$)" },
    },
    {
      name: "core-validates-in-facts",
      comment:
        "Classes that check stand in core/book/facts and where the rows of a list are read, the door that checks by them in core/kernel/plain; the rest is plain functions",
      severity: "error",
      from: { path: "^core/", pathNot: "^core/(book/facts/|kernel/plain/|trade/[a-z]+/[a-z]+-row\\.ts$)" },
      to: { path: "^node_modules/class-validator(/|$)" },
    },
    {
      name: "core-has-no-node",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    up("stand-ins-look-down", "^stand-ins/", "^(server|app|demo|bin|e2e)/", "stand-ins import core only"),
    {
      name: "nobody-needs-a-stand-in",
      comment: "A stand-in takes the place of a device: only tests know it by its code",
      severity: "error",
      from: { path: "^(core|server|app|demo)/", pathNot: "\\.test\\.ts$" },
      to: { path: "^stand-ins/" },
    },
    up("server-looks-down", "^server/", "^(app|demo|bin|e2e)/", "server imports core only"),
    up("demo-looks-down", "^demo/", "^(app|bin|e2e)/", "demo imports server and core only"),
    {
      name: "app-meets-server-in-loaders",
      comment: "Only routes, forms' server halves and .server files may import the server floor",
      severity: "error",
      from: {
        path: "^app/",
        pathNot: "(^app/.*route\\.tsx?$|\\.server\\.tsx?$|^app/root\\.tsx$|^app/.*\\.test\\.ts$)",
      },
      to: { path: "^server/", dependencyTypesNot: ["type-only"] },
    },
    up("app-looks-down", "^app/", "^(demo|bin|e2e)/", "app imports server and core only"),
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".js", ".mjs", ".json"] },
  },
};
