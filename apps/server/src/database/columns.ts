import { SHAPE_VERSION } from "@dragonet/core";
import { customType, integer, timestamp } from "drizzle-orm/pg-core";

/** Version of the document beside it; a row of before there were versions is of the first. */
export const shape = () =>
  integer("shape")
    .notNull()
    .default(1)
    .$defaultFn(() => SHAPE_VERSION);

export const moment = (name: string) =>
  timestamp(name, { withTimezone: true }).notNull().defaultNow();

/** Text that is ordered letter by letter, whatever the language. */
export const orderText = customType<{ data: string }>({ dataType: () => `text collate "C"` });
