import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode, Suspense, lazy } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter } from "react-router";
import { RouterProvider } from "react-router/dom";
import { ApiError } from "./base/api.ts";
import { askAhead } from "./app/askAhead.ts";
import { routes } from "./app/routes.tsx";
import { sayFailures } from "./app/sayFailures.ts";
import { showRememberedTheme } from "./base/theme.ts";
import "./styles.css";

/** Messages come after the page: none is said before it stands. */
const Toaster = lazy(async () => ({ default: (await import("sonner")).Toaster }));

showRememberedTheme();
sayFailures();

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // A refusal stays a refusal; only a lost connection is worth asking again.
      retry: (times, error) => !(error instanceof ApiError) && times < 2,
      staleTime: 5_000,
      // Without a network pages show what was last answered, or say what is missing: none waits.
      networkMode: "always",
      refetchOnReconnect: true,
    },
    mutations: { networkMode: "always" },
  },
});

askAhead(queries, window.location);
const router = createBrowserRouter(routes);
const root = document.getElementById("root");
if (!root) throw new Error("the page has no root");
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
      <Suspense fallback={null}>
        <Toaster
          position="bottom-center"
          toastOptions={{ className: "!rounded-control !font-sans" }}
        />
      </Suspense>
    </QueryClientProvider>
  </StrictMode>,
);
