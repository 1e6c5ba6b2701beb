import { atLeisure } from "../../ui/press/atLeisure.ts";
import { planner } from "../../worker/port/planner.ts";

/**
 * Fetches the pages of the lift while there still is a network. Browsers keep an application
 * of their own only from a secure address; a phone on a shop's plain http has this instead. One after
 * the other: all that begins at once is a press that waits.
 */
export async function fetchAhead(): Promise<void> {
  await atLeisure([
    () => import("../../fit/FitLayout.tsx"),
    () => import("../../fit/teardown/TeardownPage.tsx"),
    () => import("../../fit/route/RoutePage.tsx"),
    () => import("../../fit/CutListPage.tsx"),
    () => import("../../fit/holes/HolesPage.tsx"),
    () => import("../../fit/lamps/LampsPage.tsx"),
    () => import("../../fit/BondsPage.tsx"),
    () => import("../../prove/ProvePage.tsx"),
    () => import("../../aim/AimPage.tsx"),
    () => import("../../handOver/HandOverPage.tsx"),
    () => import("../../sheet/SheetPage.tsx"),
    () => import("../../board/BoardPage.tsx"),
    () => planner().fetchLayout(),
  ]);
}
