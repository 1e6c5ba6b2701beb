import { defineConfig } from "vite";

export default defineConfig({
  build: {
    ssr: "src/main.ts",
    target: "node20",
    outDir: "dist",
    rollupOptions: { output: { entryFileNames: "dragonet.js" } },
  },
  ssr: { noExternal: [/^@dragonet\//] },
});
