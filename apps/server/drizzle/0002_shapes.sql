ALTER TABLE "part" ADD COLUMN "shape" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "shop" ADD COLUMN "shape" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "vehicle_profile" ADD COLUMN "shape" integer DEFAULT 1 NOT NULL;