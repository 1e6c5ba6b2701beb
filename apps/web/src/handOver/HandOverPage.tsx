import { useCallback, useMemo } from "react";
import type { Job } from "@dragonet/core";
import { useMe } from "../base/session.ts";
import { useTimes } from "../board/jobs.ts";
import { useOfJob } from "../job/useOfJob.ts";
import { useParts } from "../shelf/parts.ts";
import { Loading } from "../ui/page/states.tsx";
import type { HandingOver } from "../worker/handingOver.ts";
import { PhotoStrip, useSendingPhotos } from "../photos/PhotoStrip.tsx";
import { Section } from "../ui/page/Section.tsx";
import { planner } from "../worker/planner.ts";
import { Gates } from "./Gates.tsx";
import { Offers } from "./Offers.tsx";
import { OwnerSheetView } from "./OwnerSheetView.tsx";
import { QuoteSection } from "./QuoteSection.tsx";
import { TimeTaken } from "./TimeTaken.tsx";

/** Stage 8: the quote before, time at the lift, what is missing before it goes, the owner's sheet. */
export function HandOverPage() {
  const { units } = useMe().preferences;
  useSendingPhotos();
  const { data } = useParts();
  const { data: times } = useTimes();
  const shop = useMemo(
    () => ({
      shelf: data?.map((kept) => kept.value) ?? [],
      records: times ?? [],
    }),
    [data, times],
  );
  const made = useOfJob<HandingOver>(
    useCallback((job: Job) => planner().handingOver(job, shop, units), [shop, units]),
  );
  if (!made) return <Loading what="the quote and the sheet" />;
  return (
    <div className="mx-auto w-full max-w-5xl p-4">
      <div className="no-print">
        <QuoteSection made={made} />
        <Offers made={made} />
        <TimeTaken planned={made.quote.work} backtest={made.backtest} />
        <Gates gates={made.gates} />
        <Section
          title="Pictures for the owner"
          about="Where the fuses are, which switch is which: up to four of them go on the sheet, with what is said of them."
        >
          <PhotoStrip stepId="" />
        </Section>
      </div>
      <OwnerSheetView sheet={made.sheet} />
    </div>
  );
}
