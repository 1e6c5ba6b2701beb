import { Global, Module } from "@nestjs/common";
import { databaseProviders, CONNECTION, DATABASE } from "./database.ts";

@Global()
@Module({ providers: databaseProviders, exports: [DATABASE, CONNECTION] })
export class DatabaseModule {}
