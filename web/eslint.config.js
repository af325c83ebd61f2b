/** Strict TypeScript, React's hooks, and the floors of the house. */
import js from "@eslint/js";
import imports from "eslint-plugin-import-x";
import jsdoc from "eslint-plugin-jsdoc";
import hooks from "eslint-plugin-react-hooks";
import { createTypeScriptImportResolver } from "eslint-import-resolver-typescript";
import ts from "typescript-eslint";

/** Files of a floor may not import from those above it. */
function floor(folder, above) {
  return {
    files: [`${folder}/**/*.{ts,tsx}`],
    rules: {
      "no-restricted-imports": ["error", {
        patterns: above.map((other) => ({
          regex: `^(\\.\\./)+${other}/`,
          message: `${folder} stands below ${other} and may not know it.`,
        })),
      }],
    },
  };
}

export default ts.config(
  { ignores: ["dist", "node_modules", "api/api.d.ts"] },
  js.configs.recommended,
  ts.configs.strict,
  {
    plugins: { "react-hooks": hooks, "import-x": imports, jsdoc },
    settings: {
      ...imports.flatConfigs.typescript.settings,
      "import-x/resolver-next": [createTypeScriptImportResolver()],
    },
    rules: {
      "import-x/no-cycle": ["error", { ignoreExternal: true }],
      complexity: ["error", 15],
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
      "@typescript-eslint/explicit-module-boundary-types": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
    },
  },
  {
    files: ["**/*.{ts,tsx}"],
    ignores: ["tests/**"],
    rules: {
      "jsdoc/require-jsdoc": ["error", {
        publicOnly: true,
        enableFixer: false,
        require: { FunctionDeclaration: true, ClassDeclaration: true, ArrowFunctionExpression: true },
      }],
    },
  },
  floor("api", ["player", "kit", "workbench", "practice", "lms"]),
  // What learners load: it knows the API's types and nothing above it.
  floor("player", ["kit", "workbench", "practice", "lms", "@chakra-ui"]),
  floor("kit", ["player", "workbench", "practice", "lms"]),
  floor("workbench", ["practice", "lms"]),
  floor("practice", ["lms", "player", "workbench"]),
  floor("lms", ["api", "kit", "player", "workbench", "practice"]),
);
