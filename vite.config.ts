import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

/** The toasts' styles come with the others (app.css): a style put into the page while it runs would need a nonce that the library does not take. */
export const toastStyles: Plugin = {
  name: "toast-styles",
  transform: (code, id) =>
    id.includes("/sonner/dist/") && id.endsWith(".mjs") ? code.replace(/^__insertCSS\(/m, "void (") : null,
};

export default defineConfig(({ isSsrBuild }) => ({
  plugins: isSsrBuild ? [] : [toastStyles, react(), tailwindcss()],
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
            clubs: "src/server/commands/clubs.ts",
            planner: "src/server/workerMain.ts",
            demo: "src/demo/main.ts",
            feed: "src/demo/feed/main.ts",
          },
        },
      }
    : // The charts are fetched when one is looked at.
      {
        outDir: "dist/web",
        target: "es2022",
        sourcemap: false,
        chunkSizeWarningLimit: 600,
        // The core does nothing by being read in: what of it a view does not use is left out of it.
        rolldownOptions: { treeshake: { moduleSideEffects: (id: string) => !id.includes("/src/core/") } },
      },
  server: { port: 5173, proxy: { "/api": { target: "http://127.0.0.1:4173", changeOrigin: false } } },
}));
