import { useEffect, useState } from "react";

export type MeterState =
  | { readonly kind: "waiting" }
  | { readonly kind: "reads"; readonly value: number | null }
  | { readonly kind: "trouble"; readonly message: string };

const WAITING: MeterState = { kind: "waiting" };
const GONE = "the server cannot be reached; what was read stays";

const dataOf = (event: Event): Record<string, unknown> =>
  event instanceof MessageEvent ? (JSON.parse(String(event.data)) as Record<string, unknown>) : {};

/** What the shop's meter shows at a step while it is on it; null for no step. */
export function useMeter(step: string | null): MeterState {
  const [shown, setShown] = useState<{ readonly step: string | null; readonly state: MeterState }>({
    step,
    state: WAITING,
  });
  useEffect(() => {
    if (step === null) return;
    const source = new EventSource(`/api/meter/stream?step=${encodeURIComponent(step)}`);
    const show = (state: MeterState): void => setShown({ step, state });
    source.addEventListener("reading", (event) => {
      const { value } = dataOf(event);
      show({ kind: "reads", value: typeof value === "number" ? value : null });
    });
    source.addEventListener("trouble", (event) => {
      source.close();
      show({ kind: "trouble", message: String(dataOf(event).message) });
    });
    source.addEventListener("end", () => source.close());
    source.onerror = () => {
      source.close();
      show({ kind: "trouble", message: GONE });
    };
    return () => source.close();
  }, [step]);
  return shown.step === step ? shown.state : WAITING;
}
