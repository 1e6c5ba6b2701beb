import type { KitLine, KitContent, Part } from "@dragonet/core";
import { IsInt, Max, Min } from "class-validator";
import { IsListOf, IsListOfKinds, IsObjectOf, IsText } from "../fields.ts";
import { LampDto } from "./lamp.ts";
import { KIT_PART_TYPES, PartDto } from "./part/part.ts";
import { KitSwitchDto, LightingCircuitDto, SupplyDto } from "./lightingCircuit.ts";
import { HarnessDto, WireChoiceDto } from "./wire.ts";
import type { ShapeOf, ShapeOfKind } from "../shape.ts";

class KitLineDto implements ShapeOf<KitLine> {
  @IsText(160)
  name!: string;

  @IsInt()
  @Min(0)
  @Max(9999)
  count!: number;
}

class KitContentDto implements ShapeOf<KitContent> {
  @IsListOfKinds(() => PartDto, KIT_PART_TYPES, 60)
  parts!: PartDto[];

  @IsListOf(() => SupplyDto, 20)
  supplies!: SupplyDto[];

  @IsListOf(() => KitSwitchDto, 20)
  controls!: KitSwitchDto[];

  @IsListOf(() => LightingCircuitDto, 40)
  runs!: LightingCircuitDto[];

  @IsListOf(() => LampDto, 100)
  lamps!: LampDto[];

  @IsListOf(() => HarnessDto, 20)
  harnesses!: HarnessDto[];

  @IsListOf(() => WireChoiceDto, 200)
  wireChoices!: WireChoiceDto[];
}

class KitPartDto extends PartDto implements ShapeOfKind<Part, "kit"> {
  @IsListOf(() => KitLineDto, 100)
  items!: KitLineDto[];

  @IsObjectOf(() => KitContentDto)
  content!: KitContentDto;
}

/** Which class reads which kind of part. */
export const PART_TYPES = [...KIT_PART_TYPES, { name: "kit", value: KitPartDto }];
