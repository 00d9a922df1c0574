import js from "@eslint/js";
import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["dist", "src/api/schema.d.ts"] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  jsxA11y.flatConfigs.recommended,
  reactHooks.configs.flat.recommended,
  {
    // what is asked anew after a change stands in one map
    files: ["src/**/*.{ts,tsx}"],
    ignores: ["src/api/subjects.ts"],
    rules: {
      "no-restricted-properties": [
        "error",
        { property: "invalidateQueries", message: "Say what changed with api/subjects.ts." },
      ],
    },
  },
);
