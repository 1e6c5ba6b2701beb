import { Global, Module } from "@nestjs/common";
import { WorkPool } from "./pool.ts";

@Global()
@Module({ providers: [WorkPool], exports: [WorkPool] })
export class WorkModule {}
