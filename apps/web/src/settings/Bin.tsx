import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { BinnedJobAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { Button } from "../ui/Button.tsx";
import { MOMENT } from "../ui/moments.ts";
import { Section } from "../ui/page/Section.tsx";
import { Trouble } from "../ui/page/states.tsx";

/** Jobs that were put in the bin, with all their history, and the way back out. */
export function Bin() {
  const queries = useQueryClient();
  const { data, error } = useQuery({
    queryKey: ["bin"],
    queryFn: () => ask<BinnedJobAnswer[]>("jobs/bin"),
  });
  const takeOut = useMutation({
    mutationFn: (id: string) => ask(`jobs/${id}/take-out`, "POST"),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["bin"] });
      await queries.invalidateQueries({ queryKey: ["jobs"] });
    },
  });
  return (
    <Section
      title="Bin"
      about="Jobs that were taken off the board, the latest two hundred. Nothing of them is lost."
    >
      {error && <Trouble error={error} />}
      {takeOut.error && <Trouble error={takeOut.error} />}
      {data?.length === 0 && <p className="text-muted">The bin is empty.</p>}
      <ul>
        {(data ?? []).map((item) => (
          <li key={item.id} className="flex flex-wrap items-center gap-3 border-b border-hair py-1">
            <span className="mr-auto">
              {item.title}
              <span className="block text-small text-muted">
                {item.customer !== "" && `${item.customer} · `}
                {item.removedBy}, {MOMENT.format(new Date(item.removedAt))}
              </span>
            </span>
            <Button
              look="quiet"
              disabled={takeOut.isPending}
              onClick={() => takeOut.mutate(item.id)}
            >
              Take out
            </Button>
          </li>
        ))}
      </ul>
    </Section>
  );
}
