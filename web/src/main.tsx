import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { App } from "./App";
import "./index.css";
import { lastSession } from "./api/queries";
import { anyStands, fetchTheRest, SignIn } from "./screens/all";
import { whenQuiet } from "./ui/quiet";
import { keepShell } from "./ui/shell";
import { startTheme } from "./ui/theme";

startTheme();
const client = new QueryClient({
  defaultOptions: { queries: { retry: 1, staleTime: 30_000, refetchOnWindowFocus: false } },
});
const root = document.getElementById("root");
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <App />
      </QueryClientProvider>
    </StrictMode>,
  );
// who was not signed in the last time is shown the door again, most likely: it is fetched while the server is asked
if (!lastSession.get()) void SignIn.fetch();
void whenQuiet(client, anyStands).then(fetchTheRest).then(keepShell);
