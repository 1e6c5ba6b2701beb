import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { toast } from "sonner";
import {
  PART_KINDS,
  decimal,
  designCurrentA,
  span,
  takenOf,
  type Need,
  type Part,
} from "@dragonet/core";
import type { ImportedAnswer, KeptPartAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../base/api.ts";
import { useCanEdit } from "../base/session.ts";
import { useOpenJobs } from "../board/jobs.ts";
import { Button } from "../ui/Button.tsx";
import { FileButton } from "../ui/forms/FileButton.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Empty, FaultList, Loading, Trouble } from "../ui/page/states.tsx";
import { KIND_WORDS } from "./kindWords.ts";
import { OrderList } from "./OrderList.tsx";
import { newPart } from "./newPart.ts";
import { PartDialog } from "./PartDialog.tsx";
import { useParts } from "./parts.ts";
import { useTitle } from "../ui/page/useTitle.ts";

/** "15", or "10 to 20" where channels differ. */
function waysText({ wayA, wayRatings, ways }: Extract<Part, { kind: "box" }>): string {
  const all = wayRatings.length < ways ? [...wayRatings, wayA] : wayRatings;
  const [least, most] = [Math.min(...all), Math.max(...all)];
  return least === most ? decimal(least) : `${decimal(least)} to ${decimal(most)}`;
}

/** What the circuit needs to know of a part, in a few words. */
function factsOf(part: Part): string {
  switch (part.kind) {
    case "load": {
      const volts = part.load.kind === "drivenLed" ? `, ${part.load.minV}–${part.load.maxV} V` : "";
      const light = part.light === "none" ? part.family : part.light;
      return `${span(designCurrentA(part.load, 12), 2)} A at 12 V, ${light}${volts}${part.pigtail === "" ? "" : `, ${part.pigtail} pigtail`}`;
    }
    case "relay":
      return `contact ${decimal(part.contactA)} A, coil ${decimal(part.coilOhm.value, 0)} Ω${part.diode ? ", diode: 86 positive" : ""}`;
    case "switch":
      return `${decimal(part.contactA)} A${part.tellTale === "none" ? "" : `, tell-tale ${decimal(part.tellTaleA.value, 2)} A ${part.tellTale === "always" ? "always lit" : "lit when on"}`}`;
    case "converter":
      return `${decimal(part.inMinV, 0)}–${decimal(part.inMaxV, 0)} V to ${decimal(part.outV.value)} V, ${decimal(part.outA)} A, ${decimal(part.efficiencyHalf * 100, 0)} % at half load, idle ${decimal(part.idleA.value * 1000, 0)} mA`;
    case "box":
      return `${part.ways} channels of ${waysText(part)} A, ${decimal(part.totalA)} A in all${part.form === "fuseBlock" ? "" : `, switches the ${part.switches}`}`;
    case "battery":
      return `${part.chemistry}, ${decimal(part.capacityAh.value, 0)} Ah, charger ${decimal(part.chargerA.value)} A`;
    case "connector":
      return `${decimal(part.ratingA)} A, ${decimal(part.contactOhm.value * 1000)} mΩ`;
    case "flasher":
      return `${decimal(part.ratePerMin.value, 0)} a minute, ${part.principle}${part.leastA > 0 ? `, from ${decimal(part.leastA)} A` : ""}`;
    case "kit":
      return part.items.map((item) => `${item.count} × ${item.name}`).join(", ");
    case "sundry":
      return "";
  }
}

function PartTable({
  parts,
  needs,
  onOpen,
}: {
  parts: readonly KeptPartAnswer[];
  needs: readonly Need[];
  onOpen: (kept: KeptPartAnswer) => void;
}) {
  return (
    <div className="relative overflow-x-auto">
      <table className="w-full border-collapse">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Facts</th>
            <th scope="col">Note</th>
            <th scope="col" className="text-right">
              Price
            </th>
            <th scope="col" className="text-right">
              In stock
            </th>
            <th scope="col" className="pl-4 text-right">
              Reserved
            </th>
          </tr>
        </thead>
        <tbody>
          {parts.map((kept) => {
            const taken = takenOf(kept.value.name, needs);
            const short = taken > kept.value.stock;
            return (
              <tr key={kept.value.id} className="border-t border-hair">
                <td className="py-1 pr-4">
                  <button
                    type="button"
                    className="touch text-left font-bold text-accent"
                    onClick={() => onOpen(kept)}
                  >
                    {kept.value.name}
                  </button>
                </td>
                <td className="pr-4">{factsOf(kept.value)}</td>
                <td className="pr-4 text-small text-muted">{kept.value.note}</td>
                <td className="num text-right">{kept.value.price.toFixed(2)}</td>
                <td className={`num pl-4 text-right ${kept.value.stock === 0 ? "font-bold" : ""}`}>
                  {decimal(kept.value.stock, 0)}
                </td>
                <td className={`num pl-4 text-right ${short ? "font-bold" : "text-muted"}`}>
                  {taken === 0 ? "" : decimal(taken, 1)}
                  {short && (
                    <span className="block text-small whitespace-nowrap">
                      {decimal(taken - kept.value.stock, 1)} short
                    </span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** What is on the shelf: facts for the circuit, price and stock, CSV in and out. */
export function ShelfPage() {
  useTitle("Shelf");
  const { data, error, isPending, refetch } = useParts();
  const { data: jobs } = useOpenJobs();
  const needs = (jobs ?? []).flatMap((job) => job.needs);
  const canEdit = useCanEdit();
  const queries = useQueryClient();
  const [chosen, setOpen] = useState<KeptPartAnswer | null>(null);
  const [asked, setAsked] = useSearchParams();
  // A part that an address names is opened as by its own press.
  const open = chosen ?? data?.find(({ value }) => value.id === asked.get("part")) ?? null;
  const close = (): void => {
    setOpen(null);
    setAsked({}, { replace: true });
  };
  const take = useMutation({
    mutationFn: (csv: string) => ask<ImportedAnswer>("parts/import", "POST", { csv }),
    onSuccess: async ({ added, changed }) => {
      await queries.invalidateQueries({ queryKey: ["parts"] });
      toast.success(`${added} parts added, ${changed} changed`);
    },
  });
  if (isPending) return <Loading what="the shelf" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  const kinds = PART_KINDS.filter((kind) => data.some((kept) => kept.value.kind === kind));
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-lead">Shelf</h1>
        <a
          className="touch inline-flex items-center text-accent underline"
          href="/api/parts/file"
          download
        >
          CSV out
        </a>
        {canEdit && (
          <>
            <FileButton label="CSV in" accept=".csv,text/csv" onText={take.mutate} />
            <Button look="main" onClick={() => setOpen({ value: newPart("load"), revision: 0 })}>
              <Plus size={16} aria-hidden /> New part
            </Button>
          </>
        )}
      </div>
      {data.length === 0 && (
        <Empty title="The shelf is empty">Add a part, or take a CSV file in.</Empty>
      )}
      <OrderList parts={data} jobs={jobs ?? []} />
      {kinds.map((kind) => (
        <Section key={kind} title={KIND_WORDS[kind]}>
          <PartTable
            parts={data.filter((kept) => kept.value.kind === kind)}
            needs={needs}
            onOpen={setOpen}
          />
        </Section>
      ))}
      {open && <PartDialog key={open.value.id} kept={open} canEdit={canEdit} onClose={close} />}
      <Modal open={take.error !== null} onClose={take.reset} title="This file was not taken in">
        <p className="font-bold">{take.error?.message}</p>
        {take.error instanceof ApiError && <FaultList error={take.error} />}
      </Modal>
    </div>
  );
}
