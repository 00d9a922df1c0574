/// <reference types="vitest/config" />
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** The stove goes on without a network, also after a reload: the shell and its parts are kept on the device. Answers of the API are
    not: what a cooking needs is kept by the stove itself (src/screens/stove/store.ts) and gone when the cook signs out. */
const offline = VitePWA({
  registerType: "autoUpdate",
  injectRegister: false,
  manifest: false,
  scope: "/",
  workbox: {
    globPatterns: ["assets/**/*.{js,css,woff2}"],
    modifyURLPrefix: { "": "/static/" },
    navigateFallback: null,
    inlineWorkboxRuntime: true,
    clientsClaim: true,
    skipWaiting: true,
    cleanupOutdatedCaches: true,
    runtimeCaching: [
      {
        urlPattern: ({ request, url }) => request.mode === "navigate" && !url.pathname.startsWith("/api/") && !url.pathname.startsWith("/static/"),
        handler: "NetworkFirst",
        // every address of the app is the one page
        options: { cacheName: "shell", networkTimeoutSeconds: 4, plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve("/") }] },
      },
    ],
  },
});

export default defineConfig({
  plugins: [react(), tailwindcss(), offline],
  base: "/static/",
  build: { target: "es2022", assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
  server: { proxy: { "/api": "http://127.0.0.1:8000" } },
  test: { environment: "jsdom", setupFiles: ["src/test-setup.ts"], restoreMocks: true, testTimeout: 60_000 },
});
