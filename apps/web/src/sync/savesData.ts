/** What browsers of phones tell of their network, and others do not. */
interface Connection {
  readonly saveData?: boolean;
}

/** Whether who is here asks their browser to save data: nothing is fetched then before it is asked for. */
export const savesData = (): boolean =>
  (navigator as { readonly connection?: Connection }).connection?.saveData === true;
