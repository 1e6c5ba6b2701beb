import { defineConfig } from "vite";

export default defineConfig({
  build: {
    ssr: true,
    target: "node20",
    outDir: "dist",
    rollupOptions: {
      input: { main: "src/main.ts", work: "src/work/work.ts" },
      output: { entryFileNames: "[name].js", chunkFileNames: "[name]-[hash].js" },
    },
  },
  ssr: { noExternal: [/^@dragonet\//] },
});
