/** Layers: core imports nothing of ours; contract core only; apps both; nothing an app. */
module.exports = {
  forbidden: [
    { name: "no-cycles", severity: "error", from: {}, to: { circular: true } },
    {
      name: "core-alone",
      severity: "error",
      comment: "The heart imports no framework, no I/O and nothing of ours.",
      from: { path: "^packages/core/src" },
      to: {
        pathNot: [
          "^packages/core/src",
          "node_modules/papaparse",
          "node_modules/@types/papaparse",
          "node_modules/fast-deep-equal",
          "node_modules/dinero.js",
          "node_modules/chrono-node",
          "node_modules/fastest-levenshtein",
          "node_modules/astronomy-engine",
        ],
      },
    },
    {
      name: "synthesis-deciding-first",
      severity: "error",
      comment: "What is decided knows nothing of units and wires.",
      from: { path: "^packages/core/src/synthesis/(decide|pick|draw)/" },
      to: { path: "^packages/core/src/synthesis/(layOut|wire)/" },
    },
    {
      name: "synthesis-wires-last",
      severity: "error",
      comment: "Laying out asks for no size and no name.",
      from: { path: "^packages/core/src/synthesis/layOut/" },
      to: { path: "^packages/core/src/synthesis/wire/" },
    },
    {
      name: "contract-on-core",
      severity: "error",
      from: { path: "^packages/contract/src" },
      to: { path: "^(apps|e2e)/" },
    },
    {
      name: "loom-on-core",
      severity: "error",
      comment: "The layout adapter knows the heart and the layout library, nothing else.",
      from: { path: "^packages/loom/src" },
      to: { pathNot: ["^packages/(core|loom)/", "node_modules/elkjs"] },
    },
    {
      name: "template-on-core",
      severity: "error",
      comment: "The drawing adapter knows the heart and the DXF library, nothing else.",
      from: { path: "^packages/template/src" },
      to: { pathNot: ["^packages/(core|template)/", "node_modules/@tarikjabiri/dxf"] },
    },
    {
      name: "nothing-on-apps",
      severity: "error",
      from: { path: "^packages/" },
      to: { path: "^apps/" },
    },
    {
      name: "apps-apart",
      severity: "error",
      from: { path: "^apps/([^/]+)/" },
      to: { path: "^apps/", pathNot: "^apps/$1/" },
    },
    {
      name: "web-without-decorators",
      severity: "error",
      comment:
        "The page takes the contract's types; it and its worker carry no validation classes.",
      from: { path: "^apps/web/src" },
      to: { path: "^packages/contract", dependencyTypesNot: ["type-only"] },
    },
    {
      name: "screens-below-app",
      severity: "error",
      comment: "The frame knows its screens; what screens need of it stands in base.",
      from: { path: "^apps/web/src/(?!app/|main)" },
      to: { path: "^apps/web/src/app/" },
    },
    {
      name: "base-below-all",
      severity: "error",
      from: { path: "^apps/web/src/base/" },
      to: { path: "^apps/web/src/(?!base/)" },
    },
    {
      name: "faces",
      severity: "error",
      comment: "Outside core, only its index is imported.",
      from: { path: "^(apps|packages/contract)/" },
      to: { path: "^packages/core/src/", pathNot: "^packages/core/src/(index|demo/index)\\.ts$" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(^|/)(dist|test|drizzle)/" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.base.json" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "types", "default"],
      extensions: [".ts", ".tsx", ".mjs", ".js", ".json"],
    },
  },
};
