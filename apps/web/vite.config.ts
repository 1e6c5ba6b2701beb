import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** Keeps the application in the browser: at the lift the network comes and goes. */
const kept = VitePWA({
  // A newer version waits until every page of the older one is closed: nobody loses a field.
  registerType: "prompt",
  injectRegister: "script-defer",
  manifest: {
    name: "Dragonet",
    short_name: "Dragonet",
    description: "Plans, proves and documents added lights on small vehicles",
    start_url: "/",
    display: "standalone",
    icons: [{ src: "/icon.svg", sizes: "any", type: "image/svg+xml" }],
  },
  workbox: {
    globPatterns: ["**/*.{js,css,html,svg,woff2}"],
    // The layout library is large: it is kept when a job is opened, and not before.
    globIgnores: ["**/layout-*"],
    runtimeCaching: [
      {
        urlPattern: /\/assets\/layout-/,
        handler: "CacheFirst",
        options: { cacheName: "layout", expiration: { maxEntries: 1 } },
      },
    ],
    navigateFallbackDenylist: [/^\/api\//, /^\/authority\.crt$/],
    // The first visit is kept as well: what pages read is kept by the page itself.
    clientsClaim: true,
  },
});

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss(), kept],
  worker: {
    format: "es",
    rolldownOptions: {
      output: {
        chunkFileNames: ({ moduleIds }) =>
          moduleIds.some((id) => id.includes("elkjs"))
            ? "assets/layout-[hash].js"
            : "assets/[name]-[hash].js",
      },
    },
  },
  build: { target: "es2022", outDir: "dist", emptyOutDir: true, manifest: true },
  server: { proxy: { "/api": "http://127.0.0.1:4170" } },
});
