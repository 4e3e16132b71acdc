ALTER TABLE "sources" ADD COLUMN "recording" jsonb;--> statement-breakpoint
ALTER TABLE "sources" ADD COLUMN "published" jsonb;--> statement-breakpoint
ALTER TABLE "sources" ADD COLUMN "hearing" jsonb;