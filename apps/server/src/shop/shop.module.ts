import { Body, Controller, Get, HttpCode, Inject, Module, Put } from "@nestjs/common";
import { Open } from "../people/access.ts";
import { DATABASE, type Database } from "../database/database.ts";
import { shop } from "../database/schema.ts";
import { DEFAULT_PRACTICES, SHAPE_VERSION, type Practices } from "@dragonet/core";
import { PracticesRequest } from "@dragonet/contract";
import { PhotosModule } from "../photos/photos.module.ts";
import { ArchiveController } from "./archive.controller.ts";
import { Needs } from "../people/access.ts";

@Controller("api")
class ShopController {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  @Open()
  @Get("health")
  async health(): Promise<{ ok: true }> {
    await this.db.execute("select 1");
    return { ok: true };
  }

  @Get("practices")
  async practices(): Promise<Practices> {
    const [row] = await this.db.select({ practices: shop.practices }).from(shop);
    return row?.practices ?? DEFAULT_PRACTICES;
  }

  /** The shop's practices; a job takes its own copy when it is opened. */
  @Needs("owner")
  @Put("practices")
  @HttpCode(204)
  async setPractices(@Body() body: PracticesRequest): Promise<void> {
    const practices = { ...body } as unknown as Practices;
    await this.db.update(shop).set({ practices, shape: SHAPE_VERSION });
  }
}

@Module({ imports: [PhotosModule], controllers: [ShopController, ArchiveController] })
export class ShopModule {}
