import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState } from "react";
import { toast } from "sonner";
import { dayOf, type DaysOff, type PrintedSchedule } from "@dragonet/core";
import type { ImportedAnswer } from "@dragonet/contract";
import { afterPaint } from "../ui/press/afterPaint.ts";
import { ask } from "../base/api.ts";
import { useCanEdit, useCurrentUser } from "../base/session.ts";
import { Button } from "../ui/Button.tsx";
import { FileButton } from "../ui/forms/FileButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Empty, Loading, Trouble } from "../ui/page/states.tsx";
import { useTitle } from "../ui/page/useTitle.ts";
import { BookDialog } from "./BookDialog.tsx";
import { PlanList } from "./PlanList.tsx";
import { awayText } from "./hours/readHours.ts";
import { ShopHours } from "./hours/ShopHours.tsx";
import { Timeline } from "./timeline/Timeline.tsx";
import { bookedOf, useBooking } from "./useBooking.ts";
import { useShopPlan, type ShopPlan } from "./useShopPlan.ts";
import { minutesOf, shopMoment, textOf } from "./words.ts";

const WEEK_MIN = 7 * 1440;
/** So many days side by side that an hour of work can still be pressed. */
const DAYS = 7;

/** When all is done, how much better it could be, and what will be late: before it is. */
function Verdict({ plan }: { plan: PrintedSchedule }) {
  const late = plan.jobs.filter(({ lateMin }) => lateMin > 0);
  if (plan.end === null || plan.bound === null) return <p>Nothing is left to be done.</p>;
  return (
    <p role="status">
      {late.length === 0 ? (
        <b>Every promise is kept.</b>
      ) : (
        <b>
          {late.length === 1 ? "1 job will be later" : `${late.length} jobs will be later`} than
          promised.
        </b>
      )}{" "}
      All done by {shopMoment(plan.end)}; no plan could be done before {shopMoment(plan.bound)}.
    </p>
  );
}

/** Who is away, now or later. */
function Away({ away, from }: { away: readonly DaysOff[]; from: string }) {
  const told = away.filter(({ to }) => to >= from);
  if (told.length === 0) return null;
  return <p className="text-small text-muted">Away: {told.map(awayText).join("; ")}.</p>;
}

/** Calendar files in and out, and for the owner the hours. */
function Tools({ onHours }: { onHours: () => void }) {
  const isOwner = useCurrentUser().role === "owner";
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: (text: string) => ask<ImportedAnswer>("calendar/closed", "POST", { text }),
    onSuccess: async ({ added, changed }) => {
      await queries.invalidateQueries({ queryKey: ["calendar"] });
      toast.success(`${added} closed days added, ${changed} known before`);
    },
    onError: (error) => toast.error(error.message, { duration: 10_000 }),
  });
  const link = "touch inline-flex items-center text-accent underline";
  return (
    <>
      <a className={link} href="/api/calendar/week.pdf">
        Sheet for the wall
      </a>
      <a className={link} href="/api/calendar/bench.ics" download>
        iCalendar out
      </a>
      <a className={link} href="/api/calendar/file" download>
        File out
      </a>
      {isOwner && (
        <>
          <FileButton label="Closed days in" accept=".ics,text/calendar" onText={take.mutate} />
          <Button onClick={onHours}>Hours and benches</Button>
        </>
      )}
    </>
  );
}

function Planned({ shown }: { shown: ShopPlan }) {
  const { answer, plan, file } = shown;
  const canEdit = useCanEdit();
  const book = useBooking();
  const [first, setFirst] = useState(() => dayOf(minutesOf(file.now)));
  const [openId, setOpenId] = useState<string | null>(null);
  const open = plan.jobs.find(({ id }) => id === openId);
  const press = (id: string): void => afterPaint(() => setOpenId(id));
  const pinned = new Set(answer.bookings.filter((b) => b.start !== "").map((b) => b.jobId));
  const move = (jobId: string, bench: string, start: number): void => {
    const before = bookedOf(answer, jobId);
    const at = textOf(start);
    book(
      jobId,
      { ...before, bench, start: at },
      before,
      `Stays at ${bench} from ${shopMoment(at)}`,
    );
  };
  return (
    <>
      <Verdict plan={plan} />
      <Away away={answer.calendar.away ?? []} from={textOf(first).slice(0, 10)} />
      <div className="mt-3 flex items-center gap-2">
        <Button aria-label="A week back" onClick={() => setFirst(first - WEEK_MIN)}>
          <ChevronLeft size={16} aria-hidden />
        </Button>
        <Button aria-label="A week on" onClick={() => setFirst(first + WEEK_MIN)}>
          <ChevronRight size={16} aria-hidden />
        </Button>
        <span className="text-small text-muted">
          Press a job to say where it stays or what it waits for{canEdit && ", or drag it there"}.
          Dashed is waiting at the bench.
        </span>
      </div>
      <Timeline
        {...{ plan, first, canEdit, pinned, days: DAYS, calendar: answer.calendar }}
        onOpen={press}
        onMove={move}
      />
      <Section title="By when they are done">
        <PlanList plan={plan} onOpen={press} />
      </Section>
      {open && (
        <BookDialog
          key={open.id}
          job={open}
          booked={bookedOf(answer, open.id)}
          benches={answer.calendar.benches}
          canEdit={canEdit}
          onClose={() => setOpenId(null)}
          onSave={(said) => book(open.id, said, bookedOf(answer, open.id), `Kept: ${open.title}`)}
        />
      )}
    </>
  );
}

/** The benches and who works at them, planned from now on: promises first, late told before it is. */
export function CalendarPage() {
  useTitle("Calendar");
  const { shown, error, retry } = useShopPlan();
  const [hours, setHours] = useState(false);
  if (error) return <Trouble error={error} onRetry={retry} />;
  if (!shown) return <Loading what="the plan" />;
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-lead">Calendar</h1>
        <Tools onHours={() => setHours(true)} />
      </div>
      {shown.plan.jobs.length + shown.plan.unplanned.length === 0 ? (
        <Empty title="Nothing to plan">
          Jobs with work left stand here by themselves, as soon as there are any.
        </Empty>
      ) : (
        <Planned shown={shown} />
      )}
      {hours && (
        <ShopHours
          calendar={shown.answer.calendar}
          people={shown.file.people}
          onClose={() => setHours(false)}
        />
      )}
    </div>
  );
}
