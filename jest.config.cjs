/** One project a workspace; API tests want DATABASE_URL, which scripts/test.mjs sets. */
const swc = [
  `${__dirname}/scripts/lib/jestTransform.cjs`,
  {
    jsc: {
      parser: { syntax: "typescript", decorators: true, tsx: true },
      transform: {
        legacyDecorator: true,
        decoratorMetadata: true,
        useDefineForClassFields: false,
        react: { runtime: "automatic" },
      },
      target: "es2022",
    },
    module: { type: "commonjs" },
  },
];

const DEMO = { "^@dragonet/core/demo$": `${__dirname}/packages/core/src/demo/index.ts` };
/** Only what hangs is ended by the clock: beside busy neighbours everything takes many times as long. */
const SLOW_MS = 900_000;

/** Where nothing is painted, the store does at once what it does after the next paint. */
const STORE_AT_ONCE = {
  "^\\.\\./\\.\\./ui/press/afterPaint\\.ts$": `${__dirname}/apps/web/test/page/atOnce.ts`,
};

const project = (name, folder, more = {}) => ({
  displayName: name,
  rootDir: `${__dirname}/${folder}`,
  testMatch: ["<rootDir>/test/**/*.test.ts"],
  transform: { "\\.(ts|tsx|mjs|js)$": swc },
  transformIgnorePatterns: [
    "/node_modules/(?!(@nestjs|dinero\.js|papaparse|zustand|d3-contour|d3-array|internmap)/)",
  ],
  moduleNameMapper: DEMO,
  ...more,
});

const only = process.env.DRAGONET_JEST_PROJECT;

/**
 * Tests of the core that take long, by hundreds of jobs or by another program: a mutation run
 * tries the others many times over and leaves these out.
 */
const LONG = [
  "chance",
  "graph",
  "ngspice",
  "physics",
  "proofDemo",
  "supplies",
  "route",
  "fit",
  "holes",
];
const brief =
  process.env.DRAGONET_BRIEF === undefined
    ? {}
    : { testPathIgnorePatterns: LONG.map((name) => `/packages/core/test/${name}\\.test\\.ts$`) };
/** Only these files of tests, where a mutation run asks for the ones that are near. */
const near = process.env.DRAGONET_TESTS?.split(",");
const nearby = near
  ? { testMatch: near.map((name) => `<rootDir>/test/${name}.test.{ts,tsx}`) }
  : {};

/** Many files of tests in a few where nothing is asked for by name: scripts/test/together.ts says why. */
const together = (ending) => [
  process.env.DRAGONET_TOGETHER === undefined
    ? `<rootDir>/test/*${ending}`
    : `<rootDir>/test/together/*${ending}`,
];

/** Pages in a document without a browser: the worker's functions run in the page itself. */
const PAGE = {
  testMatch: together(".test.tsx"),
  testEnvironment: `${__dirname}/apps/web/test/page/environment.cjs`,
  // Packages as Node takes them: their modules for browsers are not transformed.
  testEnvironmentOptions: { customExportConditions: ["node", "require", "default"] },
  setupFilesAfterEnv: [`${__dirname}/apps/web/test/page/browser.ts`],
  moduleNameMapper: {
    ...DEMO,
    // Without notes of where each element was made: no test reads them, and they cost a fifth.
    "^react/jsx-runtime$": `${__dirname}/node_modules/react/cjs/react-jsx-runtime.production.js`,
    "/(worker/port|\\.)/planner\\.ts$": `${__dirname}/apps/web/test/page/worker.ts`,
    "/afterPaint\\.ts$": `${__dirname}/apps/web/test/page/atOnce.ts`,
  },
};

const projects = [
  project("core", "packages/core", { testMatch: together(".test.ts"), ...brief }),
  project("contract", "packages/contract"),
  project("loom", "packages/loom"),
  project("template", "packages/template"),
  project("cli", "apps/cli", { testMatch: together(".test.ts") }),
  project("server", "apps/server", { testMatch: together(".test.ts") }),
  project("web", "apps/web", { moduleNameMapper: { ...DEMO, ...STORE_AT_ONCE } }),
  project("page", "apps/web", PAGE),
  project("scripts", "scripts"),
];

// One workspace by itself where it is asked for: a mutation run tries its tests many times.
module.exports =
  only === undefined
    ? { testTimeout: SLOW_MS, projects }
    : {
        ...projects.find(({ displayName }) => displayName === only),
        ...nearby,
        testTimeout: SLOW_MS,
      };
