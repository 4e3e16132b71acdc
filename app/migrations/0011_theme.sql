ALTER TABLE "outlets" ADD COLUMN "theme" jsonb;--> statement-breakpoint
ALTER TABLE "outlets" ADD COLUMN "theme_from" text;