import { defineConfig } from "vite";

export default defineConfig({
  root: import.meta.dirname,
  build: { target: "node20", outDir: "dist" },
  ssr: { noExternal: [/^@dragonet\//] },
});
