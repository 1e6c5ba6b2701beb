import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  {
    ignores: [
      "**/dist/**",
      "**/node_modules/**",
      ".data*/**",
      "apps/server/drizzle/**",
      "test-results/**",
      ".stryker-tmp/**",
      "**/*.config.{js,cjs,ts}",
      ".dependency-cruiser.cjs",
    ],
  },
  ...tseslint.configs.strict,
  {
    files: ["**/*.{ts,tsx}"],
    rules: {
      // A value that an earlier line has proved to be there may be said to be.
      "@typescript-eslint/no-non-null-assertion": "off",
      // Nest's modules are classes without members.
      "@typescript-eslint/no-extraneous-class": ["error", { allowWithDecorator: true }],
      "@typescript-eslint/consistent-type-imports": ["error", { disallowTypeAnnotations: false }],
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_" }],
      eqeqeq: "error",
      "no-console": "error",
      "max-lines": ["error", { max: 500, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // The heart has no clock, no chance, no surroundings.
    files: ["packages/core/src/**/*.ts"],
    rules: {
      "no-restricted-globals": [
        "error",
        "process",
        "window",
        "document",
        "fetch",
        "setTimeout",
        "setInterval",
        "crypto",
      ],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "Randomness is handed in." },
        { object: "Date", property: "now", message: "Time is handed in." },
      ],
      "no-restricted-syntax": [
        "error",
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: "Time is handed in.",
        },
      ],
    },
  },
  {
    // Nest reads the types of parameters and bodies at run time.
    files: ["apps/server/src/**/*.ts"],
    rules: { "@typescript-eslint/consistent-type-imports": "off" },
  },
  {
    files: ["apps/web/src/**/*.{ts,tsx}"],
    plugins: { "react-hooks": reactHooks, "jsx-a11y": jsxA11y },
    rules: {
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
      ...jsxA11y.flatConfigs.recommended.rules,
      // The first field of a page that has nothing else to do is where hands are wanted.
      "jsx-a11y/no-autofocus": ["error", { ignoreNonDOM: true }],
      // What scrolls by itself must be reachable by keyboard to be scrolled (WCAG 2.1.1).
      "jsx-a11y/no-noninteractive-tabindex": [
        "error",
        { tags: [], roles: ["region", "group", "tabpanel", "img"], allowExpressionValues: true },
      ],
    },
  },
  {
    files: ["**/*.{mjs,cjs,js}"],
    rules: { "no-console": "off", "@typescript-eslint/no-require-imports": "off" },
  },
);
