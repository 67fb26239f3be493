import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import type { Plugin } from "vite";
import { defineConfig } from "vitest/config";

/** While developing, an address of the desk or the counter is its page, as the application answers it. */
const pages: Plugin = {
  name: "pages",
  configureServer(server) {
    server.middlewares.use((request: { url?: string }, _response, next) => {
      const page = /^\/(desk|counter)(\/|$|\?)/.exec(request.url ?? "")?.[1];
      if (page) request.url = `/${page}.html`;
      next();
    });
  },
};

// Two pages: the desk for the seller, the counter for the buyer, so that a buyer never loads the desk.
export default defineConfig({
  plugins: [pages, react(), tailwindcss()],
  build: {
    assetsInlineLimit: 0,
    rollupOptions: { input: ["desk.html", "counter.html"] },
  },
  // A busy machine may be slow; a test that hangs ends all the same.
  test: { testTimeout: 30_000 },
  server: { host: "127.0.0.1", proxy: { "/api": "http://127.0.0.1:8640" }, fs: { allow: [".."] } },
});
