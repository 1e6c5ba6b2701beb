import type { QueryClient } from "@tanstack/react-query";
import { isoDay } from "../base/moment.ts";
import { SESSION } from "../base/session.ts";
import { askedOf, readView } from "../board/boardView.ts";
import { boardOf } from "../board/jobs.ts";

/**
 * Asks for what the first page shows while its own code is still on the way: who is there, and the
 * board where the address is the board's. What goes wrong is told by the page itself.
 */
export function askAhead(queries: QueryClient, { pathname, search }: Location): void {
  void queries
    .fetchQuery(SESSION)
    .then(({ person }) => {
      if (!person || pathname !== "/") return;
      const view = readView(new URLSearchParams(search));
      void queries.prefetchQuery(boardOf(askedOf(view, isoDay(new Date()))));
    })
    .catch(() => undefined);
}
