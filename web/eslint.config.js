/** Strict TypeScript, React's hooks, and the floors of the house. */
import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
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
    plugins: { "react-hooks": hooks },
    rules: {
      complexity: ["error", 15],
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
      "@typescript-eslint/explicit-module-boundary-types": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
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
