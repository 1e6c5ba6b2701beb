import { Module } from "@nestjs/common";
import { APP_FILTER, APP_GUARD, APP_PIPE } from "@nestjs/core";
import { AuditModule } from "./audit/audit.ts";
import { DocsModule } from "./docs/docs.module.ts";
import { CalendarModule } from "./calendar/calendar.module.ts";
import { DatabaseModule } from "./database/database.module.ts";
import { SupersededGuard } from "./database/superseded.ts";
import { ErrorFilter } from "./http/errorFilter.ts";
import { requestValidation } from "./http/requestValidation.ts";
import { HealthModule } from "./health/health.ts";
import { InvoicesModule } from "./invoices/invoices.module.ts";
import { JobsModule } from "./jobs/jobs.module.ts";
import { LiveModule } from "./live/live.module.ts";
import { MeterModule } from "./meter/meter.module.ts";
import { OffersModule } from "./offers/offers.module.ts";
import { AccessGuard } from "./people/access.ts";
import { PeopleModule } from "./people/people.module.ts";
import { SearchModule } from "./search/search.module.ts";
import { ShelfModule } from "./shelf/shelf.module.ts";
import { ShopModule } from "./shop/shop.module.ts";
import { TrainingModule } from "./training/training.module.ts";
import { WorkModule } from "./work/work.module.ts";
import { VehiclesModule } from "./vehicles/vehicles.module.ts";

@Module({
  imports: [
    DatabaseModule,
    AuditModule,
    WorkModule,
    // Routes are tried in this order: what is asked for most comes first.
    JobsModule,
    InvoicesModule,
    OffersModule,
    LiveModule,
    PeopleModule,
    SearchModule,
    ShelfModule,
    VehiclesModule,
    ShopModule,
    CalendarModule,
    TrainingModule,
    MeterModule,
    HealthModule,
    DocsModule,
  ],
  providers: [
    { provide: APP_FILTER, useClass: ErrorFilter },
    { provide: APP_PIPE, useFactory: requestValidation },
    { provide: APP_GUARD, useClass: SupersededGuard },
    { provide: APP_GUARD, useClass: AccessGuard },
  ],
})
export class AppModule {}
