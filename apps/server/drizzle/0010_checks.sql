ALTER TABLE "job" ADD CONSTRAINT "job_revision" CHECK ("job"."revision" >= 1);--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_bin" CHECK (("job"."removed_at" is null) = ("job"."removed_by" is null));--> statement-breakpoint
ALTER TABLE "job_change" ADD CONSTRAINT "job_change_revision" CHECK ("job_change"."revision" >= 1);--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_revision" CHECK ("offer"."revision" >= 1);--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_valid_until" CHECK ("offer"."valid_until" ~ '^[0-9]{4}-[0-9]{2}-[0-9]{2}$');--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_accepted" CHECK (("offer"."accepted_at" is null) = ("offer"."accepted_by" is null) and ("offer"."accepted_at" is null) = ("offer"."choice" is null));--> statement-breakpoint
ALTER TABLE "offer" ADD CONSTRAINT "offer_one_end" CHECK ("offer"."accepted_at" is null or "offer"."revoked_at" is null);--> statement-breakpoint
ALTER TABLE "part" ADD CONSTRAINT "part_revision" CHECK ("part"."revision" >= 1);--> statement-breakpoint
ALTER TABLE "part" ADD CONSTRAINT "part_own_id" CHECK ("part"."value"->>'id' = "part"."id");--> statement-breakpoint
ALTER TABLE "person" ADD CONSTRAINT "person_role" CHECK ("person"."role" in ('owner', 'installer', 'viewer'));--> statement-breakpoint
ALTER TABLE "person" ADD CONSTRAINT "person_password_hash" CHECK ("person"."password_hash" like '$argon2id$%');--> statement-breakpoint
ALTER TABLE "person" ADD CONSTRAINT "person_name" CHECK ("person"."name" <> '');--> statement-breakpoint
ALTER TABLE "shop" ADD CONSTRAINT "shop_one" CHECK ("shop"."id" = 1);--> statement-breakpoint
ALTER TABLE "shop" ADD CONSTRAINT "shop_idle_hours" CHECK ("shop"."idle_hours" between 1 and 720);--> statement-breakpoint
ALTER TABLE "shop" ADD CONSTRAINT "shop_session_days" CHECK ("shop"."session_days" between 1 and 365);--> statement-breakpoint
ALTER TABLE "sign_in_try" ADD CONSTRAINT "sign_in_try_fails" CHECK ("sign_in_try"."fails" >= 0);--> statement-breakpoint
ALTER TABLE "training_result" ADD CONSTRAINT "training_result_score" CHECK ("training_result"."score" between 0 and 100);--> statement-breakpoint
ALTER TABLE "vehicle_profile" ADD CONSTRAINT "vehicle_profile_revision" CHECK ("vehicle_profile"."revision" >= 1);--> statement-breakpoint
ALTER TABLE "vehicle_profile" ADD CONSTRAINT "vehicle_profile_own_id" CHECK ("vehicle_profile"."value"->>'profileId' = "vehicle_profile"."id");