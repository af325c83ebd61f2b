/** One configuration for what is built: `--mode app`, `boot`, `post`, `lms`, or `player-…` for each way of tracking. */
import react from "@vitejs/plugin-react";
import { defineConfig, type UserConfig } from "vite";

/** A single classic script, which also runs from a folder without a server. */
function script(entry: string, name: string, alias: Record<string, string> = {}, folder = name, css = name): UserConfig {
  return {
    plugins: [react()],
    resolve: { alias },
    base: "./",
    define: { "process.env.NODE_ENV": '"production"' },
    build: {
      outDir: `dist/${folder}`,
      emptyOutDir: folder === name,
      target: "es2022",
      assetsInlineLimit: 0,
      lib: {
        entry, name: `zigzag_${name.replace("-", "_")}`, formats: ["iife"],
        fileName: () => `${name}.js`, cssFileName: css,
      },
      rollupOptions: { output: { assetFileNames: "[name][extname]" } },
    },
  };
}

/** React's interface in a tenth of its size: every learner loads the player. */
const SMALL = {
  "react/jsx-runtime": "preact/jsx-runtime",
  "react-dom/client": "preact/compat/client",
  "react-dom": "preact/compat",
  react: "preact/compat",
};

export default defineConfig(({ mode }) => {
  if (mode.startsWith("player-")) return script(`player/starts/${mode.slice(7)}.ts`, mode, SMALL, "player", "player");
  if (mode === "boot") return script("player/boot.ts", "boot", {}, "player");
  if (mode === "post") return script("player/post/main.ts", "post", {}, "player");
  if (mode === "lms") return script("lms/main.ts", "lms");
  return {
    plugins: [react()],
    base: "/static/app/",
    build: { outDir: "dist/app", emptyOutDir: true, target: "es2022", chunkSizeWarningLimit: 2_000 },
  };
});
