/** Opens the application at a path, as a browser would: router, shell and worker, but for the server. */
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import {
  cleanup,
  fireEvent,
  render,
  screen,
  within,
  type RenderResult,
} from "@testing-library/react";
import userEvent, { PointerEventsCheckLevel, type UserEvent } from "@testing-library/user-event";
import { RouterProvider, createMemoryRouter } from "react-router";
import { Toaster, toast } from "sonner";
import { routes } from "../../src/app/routes.tsx";
import { useJobStore } from "../../src/job/store/jobStore.ts";
import { sendWaiting } from "../../src/sync/sendWaiting.ts";
import { ANSA, type Shop } from "./shop.ts";

export interface Opened extends RenderResult {
  readonly user: UserEvent;
  readonly shop: Shop;
  /** Where the page is now. */
  readonly path: () => string;
  readonly go: (path: string) => Promise<void>;
}

export async function open(shop: Shop, path: string): Promise<Opened> {
  shop.install();
  const router = createMemoryRouter(routes, { initialEntries: [path] });
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, gcTime: 0 } } });
  const page = render(
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
      <Toaster />
    </QueryClientProvider>,
  );
  return {
    ...page,
    ...{
      user: userEvent.setup({ delay: null, pointerEventsCheck: PointerEventsCheckLevel.Never }),
      shop,
    },
    path: () => router.state.location.pathname,
    go: (to) => router.navigate(to),
  };
}

/** Everything that was changed on the page has reached the server. */
export async function saved(): Promise<void> {
  await useJobStore.getState().flush();
}

/** Chooses one of a list of choices, as by mouse. */
export async function choose(user: UserEvent, list: HTMLElement, option: string | RegExp) {
  await user.click(list);
  await user.click(
    within(await screen.findByRole("listbox")).getByRole("option", { name: option }),
  );
}

/** Writes anew in a field and leaves it. */
export async function rewrite(user: UserEvent, field: HTMLElement, text: string) {
  await user.click(field);
  fireEvent.change(field, { target: { value: text } });
  await user.tab();
}

/** No page of one test speaks into the next, nor what it left in the browser's own store. */
export async function closePages(): Promise<void> {
  // What waits goes now, to the server that it was made for.
  await saved();
  useJobStore.getState().close();
  toast.dismiss();
  cleanup();
  // What a closed job left is being looked for: no shop of another test is to hear of it.
  await sendWaiting(ANSA.id, () => null);
  const kept = await indexedDB.databases();
  await Promise.all(kept.map(({ name = "" }) => emptied(name)));
}

/** Empties a database: one that is held open is not deleted. */
function emptied(name: string): Promise<void> {
  return new Promise((done) => {
    const asked = indexedDB.open(name);
    asked.onsuccess = () => {
      const database = asked.result;
      const stores = [...database.objectStoreNames];
      const work = stores.length === 0 ? null : database.transaction(stores, "readwrite");
      for (const store of stores) work?.objectStore(store).clear();
      const end = (): void => {
        database.close();
        done();
      };
      if (work) work.oncomplete = end;
      else end();
    };
  });
}
