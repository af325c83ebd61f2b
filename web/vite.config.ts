/** One configuration for the three things that are built: `--mode app`, `player` or `lms`. */
import react from "@vitejs/plugin-react";
import { defineConfig, type UserConfig } from "vite";

/** A single classic script, which also runs from a folder without a server. */
function script(entry: string, name: string): UserConfig {
  return {
    plugins: [react()],
    base: "./",
    define: { "process.env.NODE_ENV": '"production"' },
    build: {
      outDir: `dist/${name}`,
      emptyOutDir: true,
      target: "es2022",
      assetsInlineLimit: 0,
      lib: {
        entry, name: `zigzag_${name}`, formats: ["iife"],
        fileName: () => `${name}.js`, cssFileName: name,
      },
      rollupOptions: { output: { assetFileNames: "[name][extname]" } },
    },
  };
}

export default defineConfig(({ mode }) => {
  if (mode === "player") return script("player/main.tsx", "player");
  if (mode === "lms") return script("lms/main.ts", "lms");
  return {
    plugins: [react()],
    base: "/static/app/",
    build: { outDir: "dist/app", emptyOutDir: true, target: "es2022", chunkSizeWarningLimit: 2_000 },
  };
});
