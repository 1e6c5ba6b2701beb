import { IsBoolean, IsIn, Matches } from "class-validator";
import {
  ADHESIVE_KINDS,
  BOLTS,
  BOLT_FITS,
  HANDS,
  MATERIALS,
  MOUNT_SIDES,
  PANEL_EDGES,
  type BoundedValue,
  type Photo,
  type Template,
  type Landmark,
  type Hole,
  type Mount,
  type Bond,
  type Check,
  type HolePlacing,
  type HoleCut,
} from "@dragonet/core";
import { IsAmount, IsFact, IsId, IsKindOf, IsRef, IsShare, IsText } from "../../fields.ts";
import type { ShapeOf, ShapeOfKind } from "../../shape.ts";

export class PhotoDto implements ShapeOf<Photo> {
  @IsId()
  id!: string;

  @IsRef("a step")
  stepId!: string;

  @IsText(200)
  caption!: string;
}

export class TemplateDto implements ShapeOf<Template> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsText(200)
  where!: string;

  @IsAmount(10, 2000)
  widthMm!: number;

  @IsAmount(10, 2000)
  heightMm!: number;

  @IsIn(MATERIALS)
  material!: string;

  @IsAmount(0.1, 100)
  thicknessMm!: number;

  @IsBoolean()
  painted!: boolean;
}

export class LandmarkDto implements ShapeOf<Landmark> {
  @IsId()
  id!: string;

  @IsId()
  templateId!: string;

  @IsText(120)
  name!: string;

  @IsAmount(-2000, 4000)
  rightMm!: number;

  @IsAmount(-2000, 4000)
  downMm!: number;
}

class PlacingDto {
  @IsIn(["between", "from", "edge", "mirror"])
  kind!: string;
}
class BetweenDto extends PlacingDto implements ShapeOfKind<HolePlacing, "between"> {
  @IsId()
  fromId!: string;

  @IsId()
  toId!: string;

  @IsShare()
  share!: number;

  @IsAmount(-2000, 2000)
  downMm!: number;
}
class FromDto extends PlacingDto implements ShapeOfKind<HolePlacing, "from"> {
  @IsId()
  landmarkId!: string;

  @IsAmount(-2000, 2000)
  rightMm!: number;

  @IsAmount(-2000, 2000)
  downMm!: number;
}
class EdgeDto extends PlacingDto implements ShapeOfKind<HolePlacing, "edge"> {
  @IsIn(PANEL_EDGES)
  edge!: string;

  @IsAmount(0, 2000)
  inMm!: number;

  @IsAmount(0, 2000)
  alongMm!: number;
}
class MirrorDto extends PlacingDto implements ShapeOfKind<HolePlacing, "mirror"> {
  @IsId()
  holeId!: string;
}

class CutDto {
  @IsIn(["round", "bolt", "tap", "rocker"])
  kind!: string;
}
class RoundDto extends CutDto implements ShapeOfKind<HoleCut, "round"> {
  @IsAmount(0.5, 200)
  diameterMm!: number;
}
const SIZES = BOLTS.map((b) => b.size);
class BoltDto extends CutDto implements ShapeOfKind<HoleCut, "bolt"> {
  @IsIn(SIZES)
  size!: string;

  @IsIn(BOLT_FITS)
  fit!: string;
}
class TapDto extends CutDto implements ShapeOfKind<HoleCut, "tap"> {
  @IsIn(SIZES)
  size!: string;
}
class RockerDto extends CutDto implements ShapeOfKind<HoleCut, "rocker"> {
  @IsAmount(2, 500)
  widthMm!: number;

  @IsAmount(2, 500)
  heightMm!: number;

  @IsAmount(0.5, 50)
  cornerMm!: number;
}

export class HoleDto implements ShapeOf<Hole> {
  @IsId()
  id!: string;

  @IsId()
  templateId!: string;

  @IsText(120)
  name!: string;

  @IsKindOf(
    () => PlacingDto,
    [
      { name: "between", value: BetweenDto },
      { name: "from", value: FromDto },
      { name: "edge", value: EdgeDto },
      { name: "mirror", value: MirrorDto },
    ],
  )
  by!: PlacingDto;

  @IsKindOf(
    () => CutDto,
    [
      { name: "round", value: RoundDto },
      { name: "bolt", value: BoltDto },
      { name: "tap", value: TapDto },
      { name: "rocker", value: RockerDto },
    ],
  )
  cut!: CutDto;

  @IsText()
  behind!: string;

  @IsBoolean()
  forWire!: boolean;
}

export class MountDto implements ShapeOf<Mount> {
  @IsId()
  id!: string;

  @IsId()
  lampId!: string;

  @IsIn(MOUNT_SIDES)
  side!: string;

  @IsFact()
  outM!: BoundedValue;

  @IsFact()
  heightM!: BoundedValue;

  @IsFact()
  backM!: BoundedValue;

  @IsIn(HANDS)
  hand!: string;

  @IsAmount(-90, 90)
  tiltDeg!: number;

  @IsAmount(-90, 90)
  wantedTiltDeg!: number;

  @IsAmount(0, 1000)
  footMm!: number;
}

export class BondDto implements ShapeOf<Bond> {
  @IsId()
  id!: string;

  @IsText(120)
  what!: string;

  @IsIn(ADHESIVE_KINDS)
  adhesive!: string;

  @IsAmount(-50, 100)
  surfaceC!: number;

  @IsBoolean()
  cleaned!: boolean;

  @IsBoolean()
  dryFitted!: boolean;

  @IsBoolean()
  marked!: boolean;

  @Matches(/^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2}))?$/, {
    message: "$property must be a moment such as 2026-12-02T14:30:00Z, or empty",
  })
  pressedAt!: string;
}

export class CheckDto implements ShapeOf<Check> {
  @IsId()
  id!: string;

  @IsText(120)
  by!: string;
}
