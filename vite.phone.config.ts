/** The athlete's phone: an application of its own under /p/, which opens without network. */
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";
import { toastStyles } from "./vite.config";

export default defineConfig({
  base: "/p/",
  publicDir: "public/phone",
  plugins: [
    toastStyles,
    react(),
    tailwindcss(),
    VitePWA({
      filename: "sw.js",
      injectRegister: false,
      // A new version waits until the athlete opens it anew: nothing changes under a hand that is lifting.
      registerType: "prompt",
      manifest: {
        name: "Field Anchor",
        short_name: "Field Anchor",
        description: "Your strength sessions, at the rack and at home, with or without network.",
        id: "/p/",
        start_url: "/p/",
        scope: "/p/",
        display: "standalone",
        background_color: "#f5f2ea",
        theme_color: "#fcfaf5",
        icons: [
          { src: "/p/mark.svg", sizes: "any", type: "image/svg+xml" },
          { src: "/p/mark-192.png", sizes: "192x192", type: "image/png" },
          { src: "/p/mark-512.png", sizes: "512x512", type: "image/png", purpose: "any" },
        ],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,png,woff2}"],
        maximumFileSizeToCacheInBytes: 3_000_000,
        navigateFallback: "/p/phone.html",
        navigateFallbackAllowlist: [/^\/p(\/|$)/],
        cleanupOutdatedCaches: true,
        clientsClaim: true,
        sourcemap: false,
      },
    }),
  ],
  build: {
    outDir: "dist/phone",
    target: "es2022",
    sourcemap: false,
    chunkSizeWarningLimit: 600,
    rolldownOptions: {
      input: "phone.html",
      treeshake: { moduleSideEffects: (id: string) => !id.includes("/src/core/") },
    },
  },
  worker: { format: "es" },
});
