import { defineConfig } from "vite";
import { unpackFaces } from "./faces/unpackFaces.ts";

/** What cannot go into one file: binaries, what starts threads from its own file, what finds files by its path. */
const APART = ["sharp", "@node-rs/argon2", "piscina", "pdfmake"];
/** Optional parts of packages, asked for at run time and not installed. */
const OPTIONAL = [
  /^@nestjs\/(microservices|websockets)/,
  /^class-transformer\/storage/,
  "pg-native",
];

export default defineConfig({
  plugins: [unpackFaces()],
  // The bundle takes this package's modules; its store must be that of the same copy.
  resolve: { alias: { "class-transformer/cjs/storage.js": "class-transformer/esm5/storage.js" } },
  build: {
    ssr: true,
    target: "node20",
    outDir: "dist",
    // With all packages in, a start reads a dozen files in place of a thousand: half the time.
    rollupOptions: {
      input: {
        main: "src/main.ts",
        work: "src/work/work.ts",
        // What a start prints before a server runs.
        signIns: "../../packages/core/src/demo/signIns.ts",
      },
      external: OPTIONAL,
      output: { entryFileNames: "[name].js", chunkFileNames: "[name]-[hash].js" },
    },
  },
  ssr: { noExternal: true, external: APART },
});
