ALTER TABLE "sources" ALTER COLUMN "bytes" SET DATA TYPE bigint;--> statement-breakpoint
ALTER TABLE "piece_sources" ADD COLUMN "is_off" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "sources" ADD COLUMN "reading" text DEFAULT 'structure' NOT NULL;--> statement-breakpoint
ALTER TABLE "sources" ADD COLUMN "notes" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "sources" ADD COLUMN "address" text;