import { memo } from "react";
import { outerMeasures, type Connector, type MapPlace, type Vehicle, itemAt } from "@dragonet/core";
import { placeLabels } from "../../ui/picture/labels.ts";
import { LabelLine } from "../../ui/picture/LabelLine.tsx";
import { LETTER, planFrame } from "../../ui/picture/planFrame.ts";
import { VehicleDrawing } from "../../ui/picture/VehicleDrawing.tsx";

/** Units of the picture for each metre; its margins; the height of its words. */
const [SCALE, EDGE, TEXT] = [260, 40, 22];
const DOT = 8;

/** Where on the page a connector's wires are told. */
export const anchorOf = ({ id }: Connector): string => `connector-${id}`;

interface Placed {
  readonly connector: Connector;
  readonly place: MapPlace;
  readonly words: string;
}

/** Where everything stands: names beside their connectors, over nothing. */
export function layOutConnectors({ connectors, places, size }: Vehicle) {
  const placed = connectors.flatMap((connector, i): Placed[] => {
    const place = places.find((p) => p.id === connector.at);
    return place ? [{ connector, place, words: `${i + 1} ${connector.name}` }] : [];
  });
  const on = placed.map(({ place }) => place);
  const { at, width, height } = planFrame(size, on, SCALE, EDGE);
  const points = placed.map(({ place }) => at(place.backM, place.rightM));
  const boxes = placeLabels(
    placed.map(({ words }, i) => ({
      ...{ at: itemAt(points, i), radius: DOT },
      ...{ width: words.length * TEXT * LETTER + 6, height: TEXT + 4 },
    })),
    points.map(([x, y]) => ({ x: x - DOT, y: y - DOT, width: 2 * DOT, height: 2 * DOT })),
    { x: 2, y: 2, width: width - 4, height: height - 4 },
  );
  const labels = placed.map((one, i) => ({
    ...one,
    point: itemAt(points, i),
    box: itemAt(boxes, i),
  }));
  return { at, width, height, labels };
}

interface PlanProps {
  readonly vehicle: Vehicle;
}

/** Whether two vehicles have the same picture: it shows no wires and no facts. */
const samePicture = ({ vehicle: a }: PlanProps, { vehicle: b }: PlanProps): boolean =>
  a.connectors === b.connectors &&
  a.places === b.places &&
  a.size === b.size &&
  a.kind === b.kind &&
  a.model === b.model;

/** The vehicle from above with its connectors where they are; each leads to its wires. */
export const ConnectorsPlan = memo(function ConnectorsPlan({ vehicle }: PlanProps) {
  const { at, width, height, labels } = layOutConnectors(vehicle);
  if (labels.length === 0) return null;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="mx-auto mb-3 w-full"
      style={{ maxHeight: "17rem" }}
      role="group"
      aria-label={`Connectors of the ${vehicle.model} from above, its front at the left`}
      fontSize={TEXT}
    >
      <VehicleDrawing
        kind={vehicle.kind}
        view="plan"
        measures={outerMeasures(vehicle.size)}
        place={([back, right]) => at(back, right)}
      />
      {labels.map(({ connector, point, box }) => (
        <LabelLine key={connector.id} box={box} at={point} />
      ))}
      {labels.map(({ connector, words, point: [x, y], box }) => (
        <a key={connector.id} href={`#${anchorOf(connector)}`}>
          <rect x={x - DOT} y={y - DOT} width={2 * DOT} height={2 * DOT} className="fill-accent" />
          <rect {...box} rx={3} className="fill-paper stroke-hair" />
          <text
            x={box.x + box.width / 2}
            y={box.y + box.height / 2 + TEXT * 0.35}
            textAnchor="middle"
            className="fill-accent"
          >
            {words}
          </text>
        </a>
      ))}
    </svg>
  );
}, samePicture);
