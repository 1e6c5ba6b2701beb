import { memo } from "react";
import { decimal, type ChargingTimes, type PackEvening } from "@dragonet/core";
import { Section } from "../ui/page/Section.tsx";

const hours = (h: number): string => (Number.isFinite(h) ? decimal(h, 1) : "?");

/** An evening of the added lamps on a traction pack: watt-hours, range, and what it does to the blocks. */
export const PackSection = memo(function PackSection({ evening }: { evening: PackEvening }) {
  const uneven = evening.apartAh > 0.01;
  return (
    <Section title={uneven ? "The blocks are drawn down unevenly" : "An evening on the pack"}>
      <p className="my-1">
        <span className="num text-loud">{decimal(evening.packShare * 100, 1)}</span>
        <span className="unit">% of the pack</span>{" "}
        <span className="text-muted">
          <span className="num">{decimal(evening.packWh, 0)}</span> Wh for{" "}
          <span className="num">{decimal(evening.hours, 1)}</span> h,{" "}
          <span className="num">{decimal(evening.rangeKm, 1)}</span> km of range;{" "}
          <span className="num">{decimal(evening.lostShare * 100, 0)}</span> % lost before the lamps
        </span>
      </p>
      <p className="my-1">
        Parked it draws{" "}
        <span className="num font-bold">
          {evening.parkedW < 0.001 ? "nothing" : `${decimal(evening.parkedW, 2)} W`}
        </span>
        {evening.parkedW >= 0.001 && (
          <span className="text-muted">
            , <span className="num">{decimal(evening.parkedAhPerDay, 2)}</span> Ah a day
          </span>
        )}
        .
      </p>
      {uneven && (
        <p className="my-1 font-bold">
          After an evening the blocks are <span className="num">{decimal(evening.apartAh, 1)}</span>{" "}
          Ah and <span className="num">{decimal(evening.apartV, 2)}</span> V apart.{" "}
          {evening.eveningsToHalf !== null && (
            <>
              Without equalising the tapped ones are down to half after{" "}
              <span className="num">{evening.eveningsToHalf}</span> evenings.
            </>
          )}
        </p>
      )}
      {evening.blocks.length > 1 && (
        <table className="mt-1 w-full border-collapse text-small">
          <thead>
            <tr>
              <th scope="col">Block, from the negative</th>
              <th scope="col" className="text-right">
                Lamps take
              </th>
              <th scope="col" className="text-right">
                Rests at
              </th>
              <th scope="col" className="text-right">
                Lasts
              </th>
            </tr>
          </thead>
          <tbody>
            {evening.blocks.map((b) => (
              <tr key={b.block} className="border-t border-hair">
                <td className="num py-0.5">{b.block}</td>
                <td className="num text-right">{decimal(b.lampAh, 2)} Ah</td>
                <td className="num text-right">{decimal(b.restV, 2)} V</td>
                <td className="num text-right">
                  {Number.isFinite(b.years) ? `${decimal(b.years, 1)} years` : "long"}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-1 text-small text-muted">
        Years by discharge alone, from handbook lifetimes; blocks that are never quite full age
        sooner.
      </p>
    </Section>
  );
});

export const ChargingSection = memo(function ChargingSection({
  charging,
}: {
  charging: ChargingTimes;
}) {
  return (
    <Section title="Charging">
      <ul>
        <li className="border-b border-hair py-1">
          Pack from half to full: <span className="num font-bold">{hours(charging.packH)} h</span>
        </li>
        {charging.batteryH !== null && (
          <li className="border-b border-hair py-1">
            12 V battery from half to full:{" "}
            <span className="num font-bold">{hours(charging.batteryH)} h</span>
          </li>
        )}
        <li className="border-b border-hair py-1">
          One outlet for {charging.batteryH === null ? "the charger" : "both chargers"} carries{" "}
          <span className="num font-bold">{decimal(charging.inletA, 1)} A</span>
        </li>
      </ul>
    </Section>
  );
});
