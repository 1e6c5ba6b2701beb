import type { Job } from "./job.ts";

/** Fields of the document that are lists of entries with ids. */
type ListField = {
  [K in keyof Job]: Job[K] extends readonly { readonly id: string }[] ? K : never;
}[keyof Job];

/**
 * The job's own lists: the field of the document, by the name of one entry, and what an entry is
 * called where its name does not say it. Edits, ids, empty jobs and the history go by this: a
 * new list is its field in `Job`, its line here and its class in the contract.
 */
export const OWN_LISTS = {
  wish: { field: "wishes", words: "wish" },
  blocker: { field: "blockers", words: "blocker" },
  kitItem: { field: "kit", words: "kit item" },
  part: { field: "parts", words: "part" },
  lamp: { field: "lamps", words: "lamp" },
  run: { field: "runs", words: "run" },
  supply: { field: "supplies", words: "supply" },
  control: { field: "controls", words: "control" },
  harness: { field: "harnesses", words: "harness" },
  wireChoice: { field: "wireChoices", words: "wire" },
  deviation: { field: "deviations", words: "deviation" },
  rideLeg: { field: "ride", words: "leg of the ride" },
  stripStep: { field: "strip", words: "step of the ledger" },
  fastener: { field: "fasteners", words: "fastener" },
  plug: { field: "plugs", words: "plug" },
  photo: { field: "photos", words: "photo" },
  template: { field: "templates", words: "template" },
  landmark: { field: "landmarks", words: "landmark" },
  hole: { field: "holes", words: "hole" },
  mount: { field: "mounts", words: "lamp in place" },
  bond: { field: "bonds", words: "bond" },
  check: { field: "checks", words: "check" },
  reading: { field: "readings", words: "reading" },
  mend: { field: "mends", words: "mend" },
  aim: { field: "aims", words: "aim" },
  option: { field: "options", words: "option of the quote" },
  worked: { field: "worked", words: "time taken" },
  signature: { field: "signatures", words: "signature" },
  lot: { field: "lots", words: "lot of a part" },
} as const satisfies Readonly<Record<string, { field: ListField; words: string }>>;

/** A list of the job itself, beside those of its vehicle. */
export type OwnListName = keyof typeof OWN_LISTS;
type FieldOf<K extends OwnListName> = (typeof OWN_LISTS)[K]["field"];

/** What one entry of each list is. */
export type OwnLists = { [K in OwnListName]: Job[FieldOf<K>][number] };

/** Lists of the document without a line above: while there is one, the names below do not compile. */
type Forgotten = Exclude<ListField, FieldOf<OwnListName>>;

/** Every list of the job itself: none is left out, or it does not compile. */
export const OWN_LIST_NAMES: [Forgotten] extends [never] ? readonly OwnListName[] : Forgotten =
  Object.keys(OWN_LISTS) as OwnListName[];

/** All of a job's lists, with nothing in them. */
export const emptyLists = (): Pick<Job, ListField> =>
  Object.fromEntries(OWN_LIST_NAMES.map((name) => [OWN_LISTS[name].field, []])) as unknown as Pick<
    Job,
    ListField
  >;
