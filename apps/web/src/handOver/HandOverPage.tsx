import { Loading } from "../ui/page/states.tsx";
import { PhotoStrip, useSendingPhotos } from "../photos/PhotoStrip.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Gates } from "./Gates.tsx";
import { Invoices } from "./Invoices.tsx";
import { Lots } from "./Lots.tsx";
import { Offers } from "./Offers.tsx";
import { OwnerSheetView } from "./OwnerSheetView.tsx";
import { QuoteSection } from "./QuoteSection.tsx";
import { TimeTaken } from "./TimeTaken.tsx";
import { useHandingOver } from "./useHandingOver.ts";

/** Stage 8: the quote before, time at the lift, what is missing before it goes, the owner's sheet. */
export function HandOverPage() {
  useSendingPhotos();
  const made = useHandingOver();
  if (!made) return <Loading what="the quote and the sheet" />;
  return (
    <div className="mx-auto w-full max-w-5xl p-4">
      <div className="no-print">
        <QuoteSection made={made} />
        <Offers made={made} />
        <TimeTaken planned={made.quote.work} backtest={made.backtest} />
        <Invoices />
        <Lots />
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
