import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig(({ isSsrBuild }) => ({
  plugins: isSsrBuild ? [] : [react(), tailwindcss()],
  publicDir: isSsrBuild ? false : "public",
  build: isSsrBuild
    ? {
        ssr: true,
        outDir: "dist/server",
        target: "node20",
        rollupOptions: {
          input: {
            main: "src/server/main.ts",
            worker: "src/server/jobs/worker.ts",
            backup: "src/server/commands/backup.ts",
            restore: "src/server/commands/restore.ts",
            demo: "src/demo/main.ts",
            feed: "src/demo/feed/main.ts",
          },
        },
      }
    : // The charts are fetched when one is looked at.
      { outDir: "dist/web", target: "es2022", sourcemap: false, chunkSizeWarningLimit: 600 },
  server: { port: 5173, proxy: { "/api": { target: "http://127.0.0.1:4173", changeOrigin: false } } },
}));
