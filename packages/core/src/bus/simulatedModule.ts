import type { Behaviour } from "../part/index.ts";

/** What may go wrong while a module is written, chosen beforehand: it is simulated. */
export const MODULE_FAILURES = ["none", "unplugged", "wrongVersion", "lowVoltage"] as const;
/** A mishap that the simulated module can be told to have. */
export type ModuleFailure = (typeof MODULE_FAILURES)[number];

/** One of the module's two stores: only one is live, the other is written. */
interface Bank {
  readonly serial: number;
  readonly text: string;
  readonly check: number;
}

/** The simulated module between two commands. */
export interface ModuleState {
  readonly version: string;
  readonly banks: readonly [Bank, Bank];
  readonly live: 0 | 1;
  /** Blocks that a write has put into the spare bank and that are not live. */
  readonly pending: readonly string[];
  readonly connected: boolean;
}

/** What the simulated module said, and how it stands after it. */
export type ModuleAnswer =
  | { readonly ok: true; readonly state: ModuleState; readonly said: string }
  | { readonly ok: false; readonly state: ModuleState; readonly said: string };

/** Version that the simulated module answers. */
export const MODULE_VERSION = "2.1";
/** Least supply at which the module lets itself be written, in V. */
export const LEAST_WRITE_V = 11.5;
const BLOCK = 64;

/** Fletcher's checksum of a text, 32 bits: enough to tell a torn write. */
export function checksum(text: string): number {
  let [a, b] = [0, 0];
  for (let i = 0; i < text.length; i += 1) {
    a = (a + text.charCodeAt(i)) % 65535;
    b = (b + a) % 65535;
  }
  return b * 65536 + a;
}

const bank = (serial: number, behaviours: readonly Behaviour[]): Bank => {
  const text = JSON.stringify(behaviours);
  return { serial, text, check: checksum(text) };
};

/** A module as it comes out of its box, holding what its data sheet says. */
export const newModule = (behaviours: readonly Behaviour[]): ModuleState => ({
  version: MODULE_VERSION,
  banks: [bank(1, behaviours), bank(0, behaviours)],
  live: 0,
  pending: [],
  connected: false,
});

/** Plugs it in. A write that was torn before is thrown away: what was live is live. */
export function connect(state: ModuleState): ModuleAnswer {
  const torn = state.pending.length > 0;
  return {
    ok: true,
    state: { ...state, connected: true, pending: [] },
    said: torn
      ? "Connected. A write was cut off; what the module did before it does still."
      : "Connected.",
  };
}

/** The module with its cable pulled; what was written so far stays. */
export const unplug = (state: ModuleState): ModuleState => ({ ...state, connected: false });

/** What is live in the module. Throws when its store is broken: a broken invariant. */
export function readModule(state: ModuleState): readonly Behaviour[] {
  const { text, check } = state.banks[state.live];
  if (checksum(text) !== check) throw new Error("the module's live store is broken");
  return JSON.parse(text) as Behaviour[];
}

/** Ways that differ between what is planned and what the module holds, by their number. */
export function compareModule(state: ModuleState, planned: readonly Behaviour[]): number[] {
  const held = readModule(state);
  const most = Math.max(held.length, planned.length);
  return Array.from({ length: most }, (_, i) => i).filter(
    (i) => JSON.stringify(held[i]) !== JSON.stringify(planned[i]),
  );
}

/**
 * Writes to the spare store block by block, checks it, and only then makes it live: cut off
 * anywhere, the module does what it did before.
 */
export function writeModule(
  state: ModuleState,
  planned: readonly Behaviour[],
  options: { readonly supplyV: number; readonly failure: ModuleFailure },
): ModuleAnswer {
  const refuse = (said: string, next: ModuleState = state): ModuleAnswer => ({
    ok: false,
    state: next,
    said,
  });
  if (!state.connected) return refuse("Not connected: plug it in first. Nothing was written.");
  const supplyV = options.failure === "lowVoltage" ? 10.8 : options.supplyV;
  if (supplyV < LEAST_WRITE_V) {
    return refuse(
      `${supplyV.toFixed(1)} V at the module (needs ${LEAST_WRITE_V} V or more). Nothing was written.`,
    );
  }
  if (options.failure === "wrongVersion" || state.version !== MODULE_VERSION) {
    return refuse(`The module is of another version than ${MODULE_VERSION}. Nothing was written.`);
  }
  const spare = state.live === 0 ? 1 : 0;
  const text = JSON.stringify(planned);
  const blocks: string[] = [];
  for (let i = 0; i < text.length; i += BLOCK) blocks.push(text.slice(i, i + BLOCK));
  const stopAt = options.failure === "unplugged" ? Math.ceil(blocks.length / 2) : blocks.length;
  const written = blocks.slice(0, stopAt);
  if (written.length < blocks.length) {
    return refuse(
      `Unplugged after ${written.length} of ${blocks.length} blocks. What was live is live.`,
      { ...state, pending: written, connected: false },
    );
  }
  const made: Bank = {
    serial: state.banks[state.live].serial + 1,
    text: written.join(""),
    check: checksum(text),
  };
  if (checksum(made.text) !== made.check)
    return refuse("Verification failed. What was live is live.");
  const banks: [Bank, Bank] = [state.banks[0], state.banks[1]];
  banks[spare] = made;
  return {
    ok: true,
    state: { ...state, banks, live: spare, pending: [] },
    said: `Written and verified: ${blocks.length} blocks.`,
  };
}

/** Goes back to what the module did before the last write. */
export function rollBack(state: ModuleState): ModuleAnswer {
  if (!state.connected) return { ok: false, state, said: "Not connected: plug it in first." };
  const live = state.live === 0 ? 1 : 0;
  return { ok: true, state: { ...state, live }, said: "Back to what it did before." };
}
