import { Navigate, type RouteObject } from "react-router";
import { AppShell } from "./AppShell.tsx";
import { PageTrouble } from "./PageTrouble.tsx";

/** What broke the frame itself. */
const ALONE = (
  <main>
    <PageTrouble />
  </main>
);

/** Pages come when they are visited, so that the first one is light. */
export const routes: RouteObject[] = [
  {
    // Whoever has the link: no sign-in, and nothing of the shop around it.
    path: "/offer/:token",
    errorElement: ALONE,
    hydrateFallbackElement: <p className="p-4">Loading …</p>,
    lazy: async () => ({ Component: (await import("../offer/CustomerPage.tsx")).CustomerPage }),
  },
  {
    path: "/",
    element: <AppShell />,
    errorElement: ALONE,
    hydrateFallbackElement: <p className="p-4">Loading …</p>,
    children: [
      {
        errorElement: <PageTrouble />,
        children: [
          {
            index: true,
            lazy: async () => ({ Component: (await import("../board/BoardPage.tsx")).BoardPage }),
          },
          {
            path: "jobs/:jobId",
            lazy: async () => ({ Component: (await import("../job/JobPage.tsx")).JobPage }),
            children: [
              {
                // What breaks a stage leaves the job around it standing.
                lazy: async () => ({
                  ErrorBoundary: (await import("../job/StageTrouble.tsx")).StageTrouble,
                }),
                children: [
                  {
                    index: true,
                    lazy: async () => ({
                      Component: (await import("../job/AtItsStage.tsx")).AtItsStage,
                    }),
                  },
                  {
                    path: "intake",
                    lazy: async () => ({
                      Component: (await import("../intake/IntakePage.tsx")).IntakePage,
                    }),
                  },
                  {
                    path: "budget",
                    lazy: async () => ({
                      Component: (await import("../budget/BudgetPage.tsx")).BudgetPage,
                    }),
                  },
                  {
                    path: "circuit",
                    lazy: async () => ({
                      Component: (await import("../bench/BenchPage.tsx")).BenchPage,
                    }),
                  },
                  {
                    path: "signals",
                    lazy: async () => ({
                      Component: (await import("../signals/SignalsPage.tsx")).SignalsPage,
                    }),
                  },
                  {
                    path: "fit",
                    lazy: async () => ({
                      Component: (await import("../fit/FitLayout.tsx")).FitLayout,
                    }),
                    children: [
                      { index: true, element: <Navigate to="strip" replace /> },
                      {
                        path: "strip",
                        lazy: async () => ({
                          Component: (await import("../fit/teardown/TeardownPage.tsx"))
                            .TeardownPage,
                        }),
                      },
                      {
                        path: "route",
                        lazy: async () => ({
                          Component: (await import("../fit/route/RoutePage.tsx")).RoutePage,
                        }),
                      },
                      {
                        path: "holes",
                        lazy: async () => ({
                          Component: (await import("../fit/holes/HolesPage.tsx")).HolesPage,
                        }),
                      },
                      {
                        path: "lamps",
                        lazy: async () => ({
                          Component: (await import("../fit/lamps/LampsPage.tsx")).LampsPage,
                        }),
                      },
                      {
                        path: "adhesive",
                        lazy: async () => ({
                          Component: (await import("../fit/BondsPage.tsx")).BondsPage,
                        }),
                      },
                      {
                        path: "cut",
                        lazy: async () => ({
                          Component: (await import("../fit/CutListPage.tsx")).CutListPage,
                        }),
                      },
                    ],
                  },
                  {
                    path: "prove",
                    lazy: async () => ({
                      Component: (await import("../prove/ProvePage.tsx")).ProvePage,
                    }),
                  },
                  {
                    path: "aim",
                    lazy: async () => ({ Component: (await import("../aim/AimPage.tsx")).AimPage }),
                  },
                  {
                    path: "handOver",
                    lazy: async () => ({
                      Component: (await import("../handOver/HandOverPage.tsx")).HandOverPage,
                    }),
                  },
                  {
                    path: "sheet",
                    lazy: async () => ({
                      Component: (await import("../sheet/SheetPage.tsx")).SheetPage,
                    }),
                  },
                  {
                    path: "history",
                    lazy: async () => ({
                      Component: (await import("../job/HistoryPage.tsx")).HistoryPage,
                    }),
                  },
                ],
              },
            ],
          },
          {
            path: "help",
            lazy: async () => ({ Component: (await import("../help/HelpPage.tsx")).HelpPage }),
          },
          {
            path: "help/:topic",
            lazy: async () => ({ Component: (await import("../help/HelpPage.tsx")).HelpPage }),
          },
          {
            path: "calendar",
            lazy: async () => ({
              Component: (await import("../calendar/CalendarPage.tsx")).CalendarPage,
            }),
          },
          {
            path: "shelf",
            lazy: async () => ({ Component: (await import("../shelf/ShelfPage.tsx")).ShelfPage }),
          },
          {
            path: "vehicles",
            lazy: async () => ({
              Component: (await import("../vehicles/VehiclesPage.tsx")).VehiclesPage,
            }),
          },
          {
            path: "vehicles/:profileId",
            lazy: async () => ({
              Component: (await import("../vehicles/VehiclePage.tsx")).VehiclePage,
            }),
          },
          {
            path: "figures",
            lazy: async () => ({
              Component: (await import("../figures/FiguresPage.tsx")).FiguresPage,
            }),
          },
          {
            path: "training",
            lazy: async () => ({
              Component: (await import("../training/TrainingPage.tsx")).TrainingPage,
            }),
          },
          {
            path: "settings",
            lazy: async () => ({
              Component: (await import("../settings/SettingsPage.tsx")).SettingsPage,
            }),
          },
          { path: "*", element: <PageTrouble /> },
        ],
      },
    ],
  },
];
