import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import type { Plugin } from "vite";
import { defineConfig } from "vitest/config";

/** Chunks of every page. */
const EARLY = ["ground", "parts"];

/** Lists what was built for the service worker to keep, and names the worker after it. */
function shellList(): Plugin {
  return {
    name: "shell-list",
    generateBundle(_options, bundle) {
      const files = Object.keys(bundle)
        .filter((name) => /\.(js|css|woff2|png)$/.test(name))
        .map((name) => `/${name}`)
        .sort();
      this.emitFile({ type: "asset", fileName: "shell.json", source: JSON.stringify(files) });
      const build = createHash("sha256").update(files.join()).digest("hex").slice(0, 12);
      const worker = readFileSync("worker/sw.js", "utf8").replace("__BUILD__", build);
      this.emitFile({ type: "asset", fileName: "sw.js", source: worker });
    },
  };
}

/**
 * The parts every page needs say that all of their functions are called on load: the browser compiles them
 * while they arrive, beside the page's own thread and not on it.
 */
function compiledEarly(): Plugin {
  return {
    name: "compiled-early",
    enforce: "post",
    generateBundle(_options, bundle) {
      for (const file of Object.values(bundle)) {
        if (file.type === "chunk" && EARLY.includes(file.name)) {
          file.code = `//# allFunctionsCalledOnLoad\n${file.code}`;
        }
      }
    },
  };
}

export default defineConfig({
  plugins: [react(), tailwindcss(), compiledEarly(), shellList()],
  build: {
    target: "es2022",
    assetsInlineLimit: 0,
    sourcemap: false,
    // few files: on a slow line each one costs a round trip; forms come only with a screen that has one
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              name: "ground",
              priority: 3,
              test: /node_modules\/(react|react-dom|react-router|scheduler|@tanstack\/(query-core|react-query)|openapi-fetch|idb)\//,
            },
            { name: "parts", priority: 2, test: /src\/(ui\/[^/]+$|figures|api\/[^.]+\.ts|device|frame\/(?!KeyList))/ },
            {
              name: "forms",
              priority: 1,
              test: /ui\/form\/|react-hook-form|headlessui|floating-ui|react-aria|react-virtual|virtual-core|inputs\.gen/,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { "/api": "http://127.0.0.1:8000" } },
  test: { environment: "jsdom", setupFiles: ["src/test-setup.ts"], globals: true, testTimeout: 60_000, maxWorkers: 2 },
});
