import { useMutation } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { lazy, Suspense, useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { toast } from "sonner";
import { PART_KINDS, type PartKind } from "@dragonet/core";
import type { ImportedAnswer, KeptPartAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../base/api.ts";
import { useCanEdit } from "../base/session.ts";
import { Button } from "../ui/Button.tsx";
import { FileButton } from "../ui/forms/FileButton.tsx";
import { SearchField } from "../ui/forms/SearchField.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Turns } from "../ui/page/Turns.tsx";
import { Empty, FaultList, Loading, Trouble } from "../ui/page/states.tsx";
import { useTitle } from "../ui/page/useTitle.ts";
import { TYPING_MS, useSettled } from "../ui/useSettled.ts";
import { KIND_WORDS } from "./kindWords.ts";
import { OrderList } from "./OrderList.tsx";
import { newPart } from "./newPart.ts";
import { PartTable } from "./PartTable.tsx";
import { useNeeds, usePart, usePartsPage, useShelf, useShelfChanged } from "./parts.ts";

/** Parts of one kind that the page holds at once. */
const A_PAGE = "50";

interface ListProps {
  readonly words: string;
  readonly taken: ReadonlyMap<string, number>;
  readonly onOpen: (id: string) => void;
}

/** The first parts of every kind. */
function AllKinds({ words, taken, onOpen }: ListProps) {
  const { data, error, isPending, refetch } = useShelf(words);
  if (isPending) return <Loading what="the shelf" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data.any)
    return <Empty title="The shelf is empty">Add a part, or take a CSV file in.</Empty>;
  if (data.kinds.length === 0) return <p>Nothing on the shelf has “{words}”.</p>;
  return data.kinds.map(({ kind, parts, count, uncounted }) => (
    <Section key={kind} title={KIND_WORDS[kind]}>
      <PartTable {...{ parts, taken, onOpen }} />
      {count > parts.length || uncounted ? (
        <Link
          to={`/shelf?${new URLSearchParams({ kind, ...(words !== "" && { q: words }) }).toString()}`}
          className="touch inline-flex items-center text-accent underline"
        >
          {uncounted ? "All of them" : `All ${count}`}: {KIND_WORDS[kind]}
        </Link>
      ) : null}
    </Section>
  ));
}

/** Every part of one kind, some at a time: the page holds no more than it shows. */
function OneKind({ kind, words, taken, onOpen }: ListProps & { kind: PartKind }) {
  const [params] = useSearchParams();
  const after = params.get("after") ?? "";
  const asked = new URLSearchParams({ kind, size: A_PAGE, q: words, after });
  const { data, error, isPending, refetch } = usePartsPage(asked.toString());
  if (isPending) return <Loading what="the shelf" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  return (
    <Section title={KIND_WORDS[kind]}>
      {data.parts.length === 0 ? (
        <p>Nothing of this kind{words !== "" && <> has “{words}”</>}.</p>
      ) : (
        <PartTable {...{ parts: data.parts, taken, onOpen }} />
      )}
      <Turns what="parts" next={data.next} />
    </Section>
  );
}

/** A part's many fields come when one is opened. */
const PartDialog = lazy(async () => ({ default: (await import("./PartDialog.tsx")).PartDialog }));

/** What is on the shelf: facts for the circuit, price and stock, CSV in and out. */
export function ShelfPage() {
  useTitle("Shelf");
  const { data: needs } = useNeeds();
  const taken = useMemo(
    () => new Map((needs?.taken ?? []).map(({ name, count }) => [name, count])),
    [needs],
  );
  const canEdit = useCanEdit();
  const shelfChanged = useShelfChanged();
  const [fresh, setFresh] = useState<KeptPartAnswer | null>(null);
  const [params, setParams] = useSearchParams();
  const [words, setWords] = useState(params.get("q") ?? "");
  const kind = PART_KINDS.find((one) => one === params.get("kind"));
  const named = params.get("part");
  const { data: kept, error: unknown } = usePart(named);
  const open = fresh ?? (kept?.value.id === named ? kept : null);
  const name = (id: string | null): void => {
    const next = new URLSearchParams(params);
    if (id === null) next.delete("part");
    else next.set("part", id);
    setParams(next, { replace: true });
  };
  const close = (): void => {
    setFresh(null);
    if (named !== null) name(null);
  };
  const search = (said: string): void => {
    setWords(said);
    // Other words begin at the first part again.
    if (params.has("after")) {
      params.delete("after");
      setParams(params, { replace: true });
    }
  };
  const take = useMutation({
    mutationFn: (csv: string) => ask<ImportedAnswer>("parts/import", "POST", { csv }),
    onSuccess: async ({ added, changed }) => {
      await shelfChanged();
      toast.success(`${added} parts added, ${changed} changed`);
    },
  });
  const list = { words: useSettled(words.trim(), TYPING_MS), taken, onOpen: name };
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="text-lead">Shelf</h1>
        <SearchField label="Search the shelf" value={words} onChange={search} />
        {kind && (
          <Link to="/shelf" className="touch inline-flex items-center text-accent underline">
            Every kind
          </Link>
        )}
        <a
          className="touch ml-auto inline-flex items-center text-accent underline"
          href="/api/parts/file"
          download
        >
          CSV out
        </a>
        {canEdit && (
          <>
            <FileButton label="CSV in" accept=".csv,text/csv" onText={take.mutate} />
            <Button look="main" onClick={() => setFresh({ value: newPart("load"), revision: 0 })}>
              <Plus size={16} aria-hidden /> New part
            </Button>
          </>
        )}
      </div>
      {!kind && list.words === "" && <OrderList lines={needs?.orders ?? []} />}
      {kind ? <OneKind {...list} kind={kind} /> : <AllKinds {...list} />}
      {unknown && <Trouble error={unknown} />}
      <Suspense fallback={null}>
        {open && <PartDialog key={open.value.id} kept={open} canEdit={canEdit} onClose={close} />}
      </Suspense>
      <Modal open={take.error !== null} onClose={take.reset} title="This file was not taken in">
        <p className="font-bold">{take.error?.message}</p>
        {take.error instanceof ApiError && <FaultList error={take.error} />}
      </Modal>
    </div>
  );
}
