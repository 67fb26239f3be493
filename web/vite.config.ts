import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

// Two pages: the desk for the seller, the counter for the buyer, so that a buyer never loads the desk.
export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: {
    assetsInlineLimit: 0,
    rollupOptions: { input: ["desk.html", "counter.html"] },
  },
  server: { proxy: { "/api": "http://127.0.0.1:8640" } },
});
