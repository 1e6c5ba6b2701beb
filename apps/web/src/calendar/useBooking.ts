import { useMutation, useQueryClient } from "@tanstack/react-query";
import { toast } from "sonner";
import type { BookingRequest, CalendarAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";

export const NOTHING_SAID: BookingRequest = { start: "", bench: "", notBefore: "" };

/** What was said about a job; nothing where nothing was. */
export const bookedOf = ({ bookings }: CalendarAnswer, jobId: string): BookingRequest =>
  bookings.find((booking) => booking.jobId === jobId) ?? NOTHING_SAID;

/** Says something about a job's place in the plan; it is shown at once, and can be taken back. */
export function useBooking() {
  const queries = useQueryClient();
  const save = useMutation({
    scope: { id: "booking" },
    mutationFn: ({ jobId, said }: { jobId: string; said: BookingRequest }) =>
      ask(`calendar/bookings/${jobId}`, "PUT", {
        start: said.start,
        bench: said.bench,
        notBefore: said.notBefore,
      }),
    onMutate: async ({ jobId, said }) => {
      await queries.cancelQueries({ queryKey: ["calendar"] });
      queries.setQueryData<CalendarAnswer>(["calendar"], (before) => {
        if (!before) return before;
        const others = before.bookings.filter((booking) => booking.jobId !== jobId);
        const nothing = said.start === "" && said.notBefore === "";
        return { ...before, bookings: nothing ? others : [...others, { ...said, jobId }] };
      });
    },
    onError: (error) => toast.error(`Not done: ${error.message}`),
    onSettled: () => queries.invalidateQueries({ queryKey: ["calendar"] }),
  });
  return (jobId: string, said: BookingRequest, before: BookingRequest, what: string): void => {
    save.mutate(
      { jobId, said },
      {
        onSuccess: () =>
          toast(what, {
            action: { label: "Undo", onClick: () => save.mutate({ jobId, said: before }) },
          }),
      },
    );
  };
}
