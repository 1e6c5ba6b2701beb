import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { toast } from "sonner";
import { ask } from "../base/api.ts";
import { Button } from "../ui/Button.tsx";
import { Modal } from "../ui/page/Modal.tsx";

/** Takes a job off the board, after a question, with the way back in the toast and Settings. */
export function ToBin({ id, title }: { id: string; title: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const board = () => queries.invalidateQueries({ queryKey: ["jobs"] });
  const back = useMutation({
    mutationFn: () => ask(`jobs/${id}/take-out`, "POST"),
    onSuccess: board,
  });
  const remove = useMutation({
    mutationFn: () => ask(`jobs/${id}`, "DELETE"),
    onSuccess: async () => {
      await navigate("/");
      await board();
      toast.success(`“${title}” is in the bin.`, {
        action: { label: "Take out", onClick: () => back.mutate() },
        duration: 10_000,
      });
    },
  });
  return (
    <>
      <Button look="quiet" onClick={() => setAsking(true)}>
        Put in the bin
      </Button>
      <Modal
        open={asking}
        onClose={() => setAsking(false)}
        title={`Put “${title}” in the bin?`}
        about="It leaves the board. Its history and pictures stay, and an owner can take it out under Settings."
      >
        {remove.error && (
          <p role="alert" className="mb-3 font-bold">
            {remove.error.message}
          </p>
        )}
        <div className="flex flex-wrap gap-3">
          <Button look="main" onClick={() => setAsking(false)}>
            Keep it
          </Button>
          <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
            Put in the bin
          </Button>
        </div>
      </Modal>
    </>
  );
}
