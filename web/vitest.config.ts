import { defineConfig } from "vitest/config";

export default defineConfig({ test: { include: ["../tests/web/**/*.test.ts"], root: ".", environment: "node" }, server: { fs: { allow: [".."] } } });
