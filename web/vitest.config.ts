import { defineConfig } from "vitest/config";

// Long traces on a slow machine take their time; nothing here is a test of speed.
export default defineConfig({ test: { include: ["tests/**/*.test.ts"], testTimeout: 120_000 } });
