import { Plus } from "lucide-react";
import {
  HAZARDS,
  HAZARD_WORDS,
  PLACE_ROLES,
  append,
  asId,
  assumed,
  removePlace,
  setIn,
  type MapPlace,
  type MapSegment,
  type PlaceId,
  type SegmentId,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { FactFields, FactRow } from "../../ui/forms/FactRow.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";
import type { VehicleEditing } from "../editing.ts";

const ROLE_WORDS: Readonly<Record<MapPlace["role"], string>> = {
  battery: "battery",
  electrics: "relays, fuse block",
  controls: "controls",
  front: "front lamps",
  rear: "rear lamps",
  ground: "ground point",
  other: "on the way",
};

function Places({ job, edit, canEdit }: VehicleEditing) {
  const { places } = job.vehicle;
  return (
    <Section
      title="Places"
      about="Where wires start, end or part: behind the foremost point and right of the middle (left is negative)."
      action={
        <Button
          look="quiet"
          onClick={() =>
            edit([
              append(job, "place", {
                id: asId<PlaceId>(mint("place")),
                name: `place ${places.length + 1}`,
                role: "other",
                backM: 1,
                rightM: 0,
              }),
            ])
          }
        >
          <Plus size={15} aria-hidden /> Place
        </Button>
      }
    >
      <ul>
        {places.map((place) => (
          <li
            key={place.id}
            className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-hair py-1"
          >
            <TextInput
              label="Place"
              value={place.name}
              className="w-44"
              maxLength={120}
              onCommit={(value) => edit([setIn("place", place.id, "name", value)])}
            />
            <Choice
              label={`${place.name}: what is there`}
              value={place.role}
              disabled={!canEdit}
              className="w-40"
              options={PLACE_ROLES.map((value) => ({ value, label: ROLE_WORDS[value] }))}
              onChange={(value) => edit([setIn("place", place.id, "role", value)])}
            />
            <NumberInput
              label={`${place.name}: behind the front`}
              unit="mm"
              value={Math.round(place.backM * 1000)}
              max={20_000}
              onCommit={(value) => edit([setIn("place", place.id, "backM", value / 1000)])}
            />
            <NumberInput
              label={`${place.name}: right of the middle`}
              unit="mm"
              value={Math.round(place.rightM * 1000)}
              min={-5000}
              max={5000}
              onCommit={(value) => edit([setIn("place", place.id, "rightM", value / 1000)])}
            />
            <RemoveButton what={place.name} onClick={() => edit(removePlace(job, place.id))} />
          </li>
        ))}
      </ul>
    </Section>
  );
}

function Hazards({ segment, edit }: { segment: MapSegment; edit: VehicleEditing["edit"] }) {
  return (
    <div className="flex flex-wrap gap-x-4">
      {HAZARDS.map((hazard) => (
        <Tick
          key={hazard}
          checked={segment.hazards.includes(hazard)}
          onChange={(there) =>
            edit([
              setIn(
                "segment",
                segment.id,
                "hazards",
                HAZARDS.filter((h) => (h === hazard ? there : segment.hazards.includes(h))),
              ),
            ])
          }
        >
          <span className="text-small">{HAZARD_WORDS[hazard]}</span>
        </Tick>
      ))}
    </div>
  );
}

function Stretches({ job, edit, canEdit }: VehicleEditing) {
  const { places, segments } = job.vehicle;
  const options = places.map((p) => ({ value: p.id, label: p.name }));
  const [a, b] = places;
  return (
    <Section
      title="Stretches"
      about="Measured with a string along the route a wire takes; the maker’s own loom shows routes that somebody has proved."
      action={
        <Button
          look="quiet"
          disabled={!a || !b}
          onPressed={() => {
            if (!a || !b) return;
            edit([
              append(job, "segment", {
                id: asId<SegmentId>(mint("segment")),
                fromId: a.id,
                toId: b.id,
                lengthM: assumed(0.5),
                factory: false,
                hazards: [],
                note: "",
              }),
            ]);
          }}
        >
          <Plus size={15} aria-hidden /> Stretch
        </Button>
      }
    >
      <ul>
        {segments.map((segment) => {
          const name = (id: PlaceId): string => places.find((p) => p.id === id)?.name ?? "";
          const what = `${name(segment.fromId)} to ${name(segment.toId)}`;
          return (
            <li key={segment.id} className="border-b border-hair py-1">
              <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
                <Choice
                  label={`${what}: from`}
                  value={segment.fromId}
                  disabled={!canEdit}
                  className="w-40"
                  options={options.filter((o) => o.value !== segment.toId)}
                  onChange={(value) => edit([setIn("segment", segment.id, "fromId", value)])}
                />
                <span>to</span>
                <Choice
                  label={`${what}: to`}
                  value={segment.toId}
                  disabled={!canEdit}
                  className="w-40"
                  options={options.filter((o) => o.value !== segment.fromId)}
                  onChange={(value) => edit([setIn("segment", segment.id, "toId", value)])}
                />
                <FactFields
                  label={what}
                  unit="m"
                  fact={segment.lengthM}
                  max={20}
                  disabled={!canEdit}
                  onChange={(value) => edit([setIn("segment", segment.id, "lengthM", value)])}
                />
                <Tick
                  checked={segment.factory}
                  onChange={(value) => edit([setIn("segment", segment.id, "factory", value)])}
                >
                  along the factory loom
                </Tick>
                <RemoveButton
                  what={what}
                  onClick={() => edit([{ kind: "remove", entity: "segment", id: segment.id }])}
                />
              </div>
              <Hazards segment={segment} edit={edit} />
            </li>
          );
        })}
      </ul>
    </Section>
  );
}

/** The map that wires are led over: editing it is measuring, not drawing. */
export function RouteMap(props: VehicleEditing) {
  const { job, edit, canEdit } = props;
  const { size } = job.vehicle;
  const set = (field: keyof typeof size, value: (typeof size)["lengthM"]): void =>
    edit([{ kind: "setOnce", entity: "size", field, value }]);
  return (
    <>
      <Section title="Outer size">
        {(
          [
            ["lengthM", "Length"],
            ["widthM", "Width"],
            ["heightM", "Height"],
          ] as const
        ).map(([field, label]) => (
          <FactRow
            key={field}
            label={label}
            unit="m"
            fact={size[field]}
            max={20}
            disabled={!canEdit}
            onChange={(value) => set(field, value)}
          />
        ))}
      </Section>
      <Places {...props} />
      <Stretches {...props} />
    </>
  );
}
