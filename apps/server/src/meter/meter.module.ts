import { Module } from "@nestjs/common";
import { MeterController } from "./meter.controller.ts";
import { MeterLine } from "./meterLine.ts";

@Module({ controllers: [MeterController], providers: [MeterLine] })
export class MeterModule {}
