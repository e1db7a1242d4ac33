import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import type { Plugin } from "vite";
import { defineConfig } from "vitest/config";

/** Lists what was built, for the service worker to keep the shell. */
function shellList(): Plugin {
  return {
    name: "shell-list",
    generateBundle(_options, bundle) {
      const files = Object.keys(bundle).filter((name) => /\.(js|css|woff2|png)$/.test(name));
      this.emitFile({
        type: "asset",
        fileName: "shell.json",
        source: JSON.stringify(files.map((name) => `/${name}`)),
      });
    },
  };
}

export default defineConfig({
  plugins: [react(), tailwindcss(), shellList()],
  build: { target: "es2022", assetsInlineLimit: 0, sourcemap: false },
  server: { proxy: { "/api": "http://127.0.0.1:8000" } },
  test: { environment: "jsdom", setupFiles: ["src/test-setup.ts"], globals: true },
});
