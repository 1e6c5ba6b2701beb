import { Module } from "@nestjs/common";
import { LiveChanges } from "./liveChanges.ts";
import { LiveController } from "./live.controller.ts";

@Module({ controllers: [LiveController], providers: [LiveChanges] })
export class LiveModule {}
