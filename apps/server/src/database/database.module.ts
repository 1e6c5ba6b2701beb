import { Global, Module } from "@nestjs/common";
import { databaseProviders, CONNECTION, DATABASE } from "./database.ts";
import { Superseded } from "./superseded.ts";

@Global()
@Module({
  providers: [...databaseProviders, Superseded],
  exports: [DATABASE, CONNECTION, Superseded],
})
export class DatabaseModule {}
