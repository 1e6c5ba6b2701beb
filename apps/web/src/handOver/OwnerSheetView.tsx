import type { ReactNode } from "react";
import { useParams } from "react-router";
import { decimal, type OwnerSheet } from "@dragonet/core";
import { PhotoImage } from "../photos/PhotoStrip.tsx";
import { PaperLinks } from "../job/papers/PaperLinks.tsx";
import { Section } from "../ui/page/Section.tsx";

function Part({ title, lines }: { title: string; lines: readonly ReactNode[] }) {
  if (lines.length === 0) return null;
  return (
    <div className="mt-3 break-inside-avoid">
      <h3 className="font-bold">{title}</h3>
      <ul className="list-disc pl-5">
        {lines.map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
    </div>
  );
}

/** What the owner is given with the vehicle: in plain words, printed large. */
export function OwnerSheetView({ sheet }: { sheet: OwnerSheet }) {
  const { jobId = "" } = useParams();
  return (
    <Section title="Owner’s sheet" action={<PaperLinks pdf="owner-sheet.pdf" />}>
      <div className="print:text-[15pt]">
        <p className="text-lead font-bold">{sheet.title}</p>
        <p>{[sheet.vehicle, sheet.customer].filter((t) => t !== "").join(" · ")}</p>
        <Part
          title="What was added, and what turns it on"
          lines={sheet.added.map((a) => (
            <>
              <b>{a.name}</b>: {a.lamps}. On with {a.when}.
            </>
          ))}
        />
        <Part
          title="Which fuse is where"
          lines={sheet.fuses.map((f) => (
            <>
              <b className="num">
                {decimal(f.ratingA)} A{f.resets ? " breaker" : ""}
              </b>{" "}
              {f.protects}: {f.where}
            </>
          ))}
        />
        <Part title="Battery" lines={sheet.battery} />
        <Part title="On the road" lines={sheet.road} />
        <Part title="What to look after" lines={sheet.check} />
        <Part title="What was proved" lines={sheet.proved} />
        <Part
          title="Handed over without"
          lines={sheet.without.map((s) => `${s.of}: ${s.reason} (${s.name}, ${s.at.slice(0, 10)})`)}
        />
        <Part title="Warranty" lines={sheet.warranty} />
        <p className="mt-3 font-bold">
          {sheet.handedOver
            ? `Handed over on ${sheet.handedOver.at.slice(0, 10)} by ${sheet.handedOver.name}.`
            : "Not handed over yet."}
        </p>
        {sheet.photos.length > 0 && (
          <ul aria-label="Pictures" className="mt-3 grid grid-cols-2 gap-3 max-w-2xl">
            {sheet.photos.map((photo) => (
              <li key={photo.id} className="break-inside-avoid">
                <span className="block aspect-[4/3]">
                  <PhotoImage jobId={jobId} photo={photo} />
                </span>
                <span className="text-small">{photo.caption}</span>
              </li>
            ))}
          </ul>
        )}
      </div>
    </Section>
  );
}
