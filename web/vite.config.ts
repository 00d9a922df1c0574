/// <reference types="vitest/config" />
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** The stove goes on without a network, also after a reload: the shell and its parts are kept on the device. Answers of the API are
    not: what a cooking needs is kept by the stove itself (src/screens/stove/store.ts) and gone when the cook signs out. */
const offline = VitePWA({
  registerType: "autoUpdate",
  injectRegister: false,
  manifest: {
    name: "Meal Shift",
    short_name: "Meal Shift",
    description: "Your rice recipe, shifted to another grain: water, soak, time and steps, each number explained.",
    id: "/",
    start_url: "/",
    scope: "/",
    display: "standalone",
    background_color: "#EEF1EC",
    theme_color: "#EEF1EC",
    icons: [
      { src: "/static/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/static/icon-512.png", sizes: "512x512", type: "image/png" },
      { src: "/static/icon-maskable.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
    ],
    // a recipe shared from another app, or a text that was marked there, is brought
    share_target: {
      action: "/bring",
      method: "GET",
      enctype: "application/x-www-form-urlencoded",
      params: { title: "title", text: "text", url: "url" },
    },
  },
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
        urlPattern: ({ request, url }) =>
          request.mode === "navigate" && !url.pathname.startsWith("/api/") && !url.pathname.startsWith("/static/"),
        handler: "NetworkFirst",
        // every address of the app is the one page
        options: {
          cacheName: "shell",
          networkTimeoutSeconds: 4,
          plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve("/") }],
        },
      },
    ],
  },
});

/** The two latin fonts are asked for with the page, not after its styles; text never waits for them (font-display: swap). */
const fontsFirst: Plugin = {
  name: "fonts-first",
  transformIndexHtml: {
    order: "post",
    handler: (_, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => /-latin-wght-normal-[^/]*\.woff2$/.test(file))
        .map((file) => ({
          tag: "link",
          attrs: { rel: "preload", href: `/static/${file}`, as: "font", type: "font/woff2", crossorigin: "" },
          injectTo: "head" as const,
        })),
  },
};

export default defineConfig({
  plugins: [react(), tailwindcss(), offline, fontsFirst],
  base: "/static/",
  build: { target: "es2022", manifest: true, assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
  server: { proxy: { "/api": "http://127.0.0.1:8000" } },
  test: { environment: "jsdom", setupFiles: ["src/test-setup.ts"], restoreMocks: true, testTimeout: 60_000 },
});
