import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { phraseFailures } from "../api/client";
import { preferredLanguage, say, speak } from "../shared/say";
import "../styles.css";

const client = new QueryClient({
  defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false, staleTime: 5_000 } },
});

/** The desk is loaded once its phrases are there, so that names at the top of its files are phrased too. */
async function open(root: HTMLElement) {
  await speak(preferredLanguage());
  phraseFailures({
    unreached: { sentence: say("unreached"), remedy: say("unreachedRemedy") },
    other: { sentence: say("wentWrong"), remedy: say("tryAgain") },
  });
  const { Desk } = await import("./Desk");
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <Desk />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}

const root = document.getElementById("root");
if (root) void open(root);
