import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
import ts from "typescript-eslint";

export default ts.config(
  { ignores: [".next/", "node_modules/", "next-env.d.ts", "public/", ".tmp/"] },
  js.configs.recommended,
  ...ts.configs.strict,
  // Components and hooks alone: the rules compile each file as one, half of all the linting when done to the core.
  {
    files: ["src/{app,ui}/**/*.{ts,tsx}", "**/*.tsx"],
    plugins: { "react-hooks": hooks },
    rules: hooks.configs.recommended.rules,
  },
  {
    files: ["**/*.{ts,tsx}"],
    rules: {
      "@typescript-eslint/no-explicit-any": "error",
      "@typescript-eslint/no-non-null-assertion": "off",
      "@typescript-eslint/consistent-type-imports": "error",
      "no-empty": ["error", { allowEmptyCatch: false }],
      "no-restricted-syntax": [
        "error",
        {
          selector:
            ":matches(TaggedTemplateExpression[tag.name=/^j?t$/], CallExpression[callee.name=/^(n?gettext|languageTag)$/]):not(:function *)",
          message:
            "Words are made when they are shown: put this behind a function or a getter, or mark it with marked().",
        },
      ],
      "max-lines": ["error", { max: 400, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ["scripts/*.mjs", "*.mjs", "*.cjs"],
    languageOptions: {
      globals: {
        process: "readonly",
        console: "readonly",
        fetch: "readonly",
        setTimeout: "readonly",
        URL: "readonly",
        Buffer: "readonly",
      },
    },
  },
  { files: ["**/*.cjs"], languageOptions: { globals: { module: "readonly" } } },
);
