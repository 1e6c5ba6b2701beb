import { useMutation, useQueryClient } from "@tanstack/react-query";
import { toast } from "sonner";
import { ApiError, send } from "../base/api.ts";
import { FileButton } from "../ui/forms/FileButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { FaultList } from "../ui/page/states.tsx";

interface Taken {
  readonly jobs: number;
  readonly there: number;
  readonly parts: number;
  readonly vehicles: number;
}

/** The whole shop in one file, pictures and all, out and in. */
export function Archive() {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: (file: File) => send<Taken>("shop/archive", "POST", file, "application/zip"),
    onSuccess: async ({ jobs, there, parts, vehicles }) => {
      await queries.invalidateQueries();
      const kept = there > 0 ? `; ${there} jobs were here already and stay as they are` : "";
      toast.success(`${jobs} jobs, ${parts} parts and ${vehicles} vehicles taken in${kept}`);
    },
  });
  return (
    <Section
      title="The shop in one file"
      about="Jobs with their history and pictures, shelf, vehicles and practices as JSON and JPEG in a ZIP archive. Taken in, jobs that are not here yet are added; parts and vehicles of the same id are replaced."
    >
      <div className="flex flex-wrap items-center gap-3 py-1">
        <a
          className="touch inline-flex items-center text-accent underline"
          href="/api/shop/archive"
          download
        >
          Archive out
        </a>
        <FileButton
          label={take.isPending ? "Taking it in …" : "Archive in"}
          accept=".zip,application/zip"
          disabled={take.isPending}
          onFile={(file) => take.mutate(file)}
        />
      </div>
      {take.error && (
        <div role="alert" className="border-l-2 border-ink pl-3 font-bold">
          {take.error.message}
          {take.error instanceof ApiError && <FaultList error={take.error} />}
        </div>
      )}
    </Section>
  );
}
