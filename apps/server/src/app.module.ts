import { Module } from "@nestjs/common";
import { APP_FILTER, APP_GUARD, APP_PIPE } from "@nestjs/core";
import { ThrottlerModule } from "@nestjs/throttler";
import { DatabaseModule } from "./database/database.module.ts";
import { ErrorFilter } from "./http/errorFilter.ts";
import { requestValidation } from "./http/requestValidation.ts";
import { JobsModule } from "./jobs/jobs.module.ts";
import { AccessGuard } from "./people/access.ts";
import { PeopleModule } from "./people/people.module.ts";
import { SIGN_IN_LIMIT } from "./people/signInLimit.ts";
import { ShelfModule } from "./shelf/shelf.module.ts";
import { ShopModule } from "./shop/shop.module.ts";
import { VehiclesModule } from "./vehicles/vehicles.module.ts";

@Module({
  imports: [
    DatabaseModule,
    // Only sign-in is limited; see its controller.
    ThrottlerModule.forRoot({
      throttlers: [SIGN_IN_LIMIT],
      errorMessage: "too many tries: wait a minute",
    }),
    // Routes are tried in this order: what is asked for most comes first.
    JobsModule,
    PeopleModule,
    ShelfModule,
    VehiclesModule,
    ShopModule,
  ],
  providers: [
    { provide: APP_FILTER, useClass: ErrorFilter },
    { provide: APP_PIPE, useFactory: requestValidation },
    { provide: APP_GUARD, useClass: AccessGuard },
  ],
})
export class AppModule {}
