/** Lets the page open without a network from now on (vite.config.ts). Browsers allow it over HTTPS and on this machine itself. */
export function keepShell(): void {
  if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  const begin = async () => {
    try {
      await navigator.serviceWorker.register("/sw.js", { scope: "/" });
      await navigator.serviceWorker.ready;
      // the visit that brings the worker in was not seen by it: its page is put by at once. Without a cookie: the page is the same for all, and an answer
      // that is still on its way while somebody signs in would take the new session's cookie away again
      await (await caches.open("shell")).add(new Request("/", { credentials: "omit" }));
    } catch {
      // a browser that will not keep it shows the page from the network only
    }
  };
  if (document.readyState === "complete") void begin();
  else window.addEventListener("load", () => void begin(), { once: true });
}
