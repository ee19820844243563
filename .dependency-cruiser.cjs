/** Who may import whom, as the house has it. Each fence is proved by a violating file in tests/fences. */
const CORE_PARTS = ["rules", "film", "numbers", "schedule", "learning"];

/** Core parts know base, model and reference, and nothing of each other. */
const corePart = (part) => ({
  name: `core-${part}-alone`,
  severity: "error",
  from: { path: `^(src/core/${part}/|tests/fences/core-${part}\\.ts$)`, pathNot: "\\.test\\.ts$" },
  // colour differences come from a library, as published formulas should
  to: {
    path: "^(src/|node_modules/)",
    pathNot: `^(src/core/(${part}|base|model|reference)/${part === "numbers" ? "|node_modules/(@types/)?culori/" : ""})`,
  },
});

const only = (name, from, allowed, extra = {}) => ({
  name,
  severity: "error",
  from: { path: `^(${from}|tests/fences/${name}\\.tsx?$)`, pathNot: "\\.test\\.tsx?$" },
  to: { path: "^(src/|node_modules/)", pathNot: `^(${allowed.join("|")})`, ...extra },
});

/** Rooms of the server that one of them has no business in. */
const inServer = (name, room, forbidden) => ({
  name,
  severity: "error",
  from: { path: `^(src/server/${room}/|tests/fences/${name}\\.ts$)`, pathNot: "\\.test\\.ts$" },
  to: { path: `^src/server/(${forbidden})/` },
});

const npm = (...names) => names.map((n) => `node_modules/(@types/)?${n}/`);

module.exports = {
  forbidden: [
    {
      name: "no-circles",
      severity: "error",
      from: { path: "^(src|tests/fences)/" },
      to: { circular: true, dependencyTypesNot: ["type-only"] },
    },
    only("base-knows-nothing", "src/core/base/", ["src/core/base/"]),
    only("model-knows-base", "src/core/model/", ["src/core/(base|model)/"]),
    only("reference-knows-model", "src/core/reference/", ["src/core/(base|model|reference)/"]),
    ...CORE_PARTS.map(corePart),
    ...[
      ["judge", "base|model|reference|numbers|rules|film"],
      // the finder bounds its search with the judge's own facts, moments and seams
      ["finder", "base|model|reference|numbers|rules|film|judge"],
      ["study", "base|model|reference|numbers|rules|film"],
      ["history", "base|model|reference"],
      ["record", "base|model|reference|numbers|history"],
      ["witness", "base|model|reference|film|history|learning"],
      ["reading", "base|model|reference"],
      ["mishap", "base|model|reference|history|policy"],
      ["policy", "base|model|reference|judge"],
      ["work", "base|model|reference|numbers|rules|film|judge|schedule|history|policy"],
      ["scheme", "base|model|reference|numbers"],
      ["sums", "base|model|reference|numbers|film|judge|finder|policy"],
    ].map(([room, below]) =>
      only(`core-${room}-stands-on-what-is-below`, `src/core/${room}/`, [`src/core/(${room}|${below})/`]),
    ),
    {
      name: "plan-by-the-front-door",
      severity: "error",
      from: { path: "^(src/core/plan/|tests/fences/plan-by-the-front-door\\.ts$)", pathNot: "\\.test\\.ts$" },
      to: { path: "^(src/|node_modules/)", pathNot: "^src/core/(plan/|[a-z]+/index\\.ts$)" },
    },
    only("contracts-know-core", "src/contracts/", ["src/contracts/", "src/core/", ...npm("zod")]),
    only("db-knows-sql", "src/db/", [
      "src/db/",
      "src/contracts/",
      "src/core/",
      ...npm("drizzle-orm", "better-sqlite3"),
    ]),
    only("server-composes", "src/server/", [
      "src/server/",
      "src/db/index\\.ts$",
      "src/contracts/",
      "src/core/",
      "src/workers/(tasks|film-answers|document|picture)\\.ts$",
      ...npm("zod", "ical-generator", "papaparse", "comlink", "@date-fns/tz", "date-fns", "node"),
    ]),
    only("workspace-loads", "src/server/workspace/", [
      "src/server/(workspace/|shed/|clock|lookup)",
      "src/db/index\\.ts$",
      "src/contracts/",
      "src/core/",
      ...npm("node"),
    ]),
    only("solver-keeps-nothing", "src/server/solver/", [
      "src/server/solver/",
      "src/contracts/",
      "src/workers/tasks\\.ts$",
      ...npm("comlink", "node"),
    ]),
    inServer("planning-beside-the-request", "planning", "views|commands|asks|demo"),
    inServer("views-write-nothing", "views", "commands|asks|demo"),
    inServer("commands-show-nothing", "commands", "views|asks|demo"),
    inServer("asks-keep-nothing", "asks", "commands|views|demo"),
    // the door stands before the application and knows nothing of it but who may pass
    only("door-knows-devices", "src/door/", ["src/door/", "src/db/devices\\.ts$", ...npm("node", "selfsigned")]),
    {
      name: "sql-stays-in-db",
      severity: "error",
      from: { path: "^(src/|tests/fences/)", pathNot: "^src/db/" },
      to: { path: "^node_modules/(drizzle-orm|better-sqlite3)/" },
    },
    {
      name: "ui-solves-nothing",
      comment:
        "screens know vocabulary, reference figures and types; solving is done on the server. Actions are their way there.",
      severity: "error",
      from: { path: "^(src/ui/|tests/fences/ui-solves-nothing\\.tsx$)", pathNot: "\\.test\\.tsx?$" },
      to: {
        path: "^src/(core/(rules|film|numbers|schedule|judge|finder|learning|study|scheme|sums|witness|record|work|plan)/|db/|server/|app/)",
        dependencyTypesNot: ["type-only"],
      },
    },
    only("workers-are-thin", "src/workers/", [
      "src/workers/",
      "src/contracts/",
      "src/core/",
      ...npm("comlink", "image-size", "node", "pdfjs-dist"),
    ]),
    only("actions-call-the-server", "src/actions/", [
      "src/actions/",
      "src/server/index\\.ts$",
      "src/contracts/",
      "src/messages/",
      ...npm("next"),
    ]),
    only("messages-know-words", "src/messages/", ["src/messages/", "src/format/", "src/contracts/", "src/core/"]),
    only("format-knows-units", "src/format/", [
      "src/format/",
      "src/contracts/",
      "src/core/",
      ...npm("@date-fns/tz", "date-fns"),
    ]),
    {
      name: "app-goes-through-the-server",
      severity: "error",
      from: { path: "^(src/app/|tests/fences/app-goes-through-the-server\\.ts$)" },
      to: {
        path: "^src/(db/|core/(rules|film|schedule|judge|finder|learning|study|scheme|sums|witness|record|work|plan)/)",
        dependencyTypesNot: ["type-only"],
      },
    },
    {
      name: "nothing-imports-scripts",
      severity: "error",
      from: { path: "^(src/|tests/fences/)" },
      to: { path: "^scripts/" },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.css$|^\\.next/" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default", "types"],
    },
  },
};
