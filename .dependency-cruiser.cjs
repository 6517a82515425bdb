/** The arrows of docs/architecture.md, checked. A broken one fails CI. */
const rooms = [
  "athlete",
  "screening",
  "pathway",
  "exercise",
  "endurance",
  "legs",
  "gym",
  "approach",
  "season",
  "mileage",
  "ledger",
  "dose",
  "jumps",
  "week",
  "session",
  "progress",
  "planning",
];
const basics = "^src/core/((units|dates|once)\\.ts$|rulebook/)";

module.exports = {
  forbidden: [
    { name: "no-circular", severity: "error", from: { path: "^src" }, to: { circular: true } },
    {
      name: "core-is-pure",
      comment: "The core imports nothing but the core: no React, Node, database, network.",
      severity: "error",
      from: { path: "^src/core", pathNot: "\\.test\\.ts$" },
      to: { pathNot: "^src/core" },
    },
    {
      name: "formats-know-core",
      severity: "error",
      from: { path: "^src/formats", pathNot: "\\.test\\.ts$" },
      to: { path: "^src/(api|server|web|cli|demo)" },
    },
    {
      name: "api-knows-formats",
      severity: "error",
      from: { path: "^src/api" },
      to: { path: "^src/(server|web|cli|demo)" },
    },
    { name: "server-not-web", severity: "error", from: { path: "^src/(server|cli|demo)" }, to: { path: "^src/web" } },
    { name: "web-not-server", severity: "error", from: { path: "^src/web" }, to: { path: "^src/(server|cli|demo)" } },
    {
      name: "drawing-knows-no-react",
      severity: "error",
      from: { path: "^src/web/section/layout", pathNot: "\\.test\\.ts$" },
      to: { path: "react" },
    },
    ...rooms.map((room, i) => ({
      name: `core-${room}-looks-up`,
      comment: "Inside core, a room imports only rooms above it in the list.",
      severity: "error",
      from: { path: `^src/core/${room}/`, pathNot: "\\.test\\.ts$" },
      to: { path: "^src/core/", pathNot: [basics, ...rooms.slice(0, i + 1).map((r) => `^src/core/${r}/`)] },
    })),
    {
      name: "core-plan-tells-nothing",
      comment: "The one way through knows the rooms; what is told of a plan stands behind it.",
      severity: "error",
      from: { path: "^src/core/plan\\.ts$" },
      to: { path: "^src/core/story/" },
    },
    ...[...rooms, "story"].map((room) => ({
      name: `core-${room}-by-its-entry`,
      comment: "A room is used through its entry file.",
      severity: "error",
      from: { path: "^src/", pathNot: [`^src/core/${room}/`, "\\.test\\.ts$"] },
      to: { path: `^src/core/${room}/`, pathNot: `^src/core/${room}/index\\.ts$` },
    })),
    {
      name: "core-rulebook-by-its-entry",
      severity: "error",
      from: { path: "^src/", pathNot: ["^src/core/rulebook/", "\\.test\\.ts$"] },
      to: { path: "^src/core/rulebook/", pathNot: "^src/core/rulebook/index\\.ts$" },
    },
    {
      name: "basics-stand-alone",
      severity: "error",
      from: { path: basics },
      to: { path: "^src/core", pathNot: basics },
    },
  ],
  options: {
    parser: "swc",
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".js"] },
  },
};
