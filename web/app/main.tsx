/** Starts the workbench and the practice LMS's pages. */
import { ChakraProvider } from "@chakra-ui/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { applyScheme, readScheme } from "../kit/scheme";
import { system } from "../kit/chakraTheme";
import { JobTray } from "../kit/jobs/JobTray";
import { TipLayer } from "../kit/tips/TipLayer";
import { Toaster } from "../kit/toaster";
import { App } from "./App";
import "../player/render/fonts.css";
import "../player/render/slide.css";
import "../player/render/dialogue/dialogue.css";
import "../player/render/answers/answers.css";

applyScheme(readScheme());

const queries = new QueryClient({
  // Whether there is a network is seen from answers: what a browser says of it is often wrong, and
  // would have all wait without a word.
  defaultOptions: {
    queries: { retry: 1, refetchOnWindowFocus: true, staleTime: 2_000, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={queries}>
        <BrowserRouter><App /></BrowserRouter>
        <JobTray />
        <Toaster />
        <TipLayer />
      </QueryClientProvider>
    </ChakraProvider>,
  );
}
