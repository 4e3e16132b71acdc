CREATE TABLE "jobs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"kind" text NOT NULL,
	"key" text NOT NULL,
	"payload" jsonb NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"run_at" timestamp with time zone DEFAULT now() NOT NULL,
	"lease_until" timestamp with time zone,
	"takes" integer DEFAULT 0 NOT NULL,
	"attempts" integer DEFAULT 0 NOT NULL,
	"says" text DEFAULT '' NOT NULL,
	CONSTRAINT "jobs_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE INDEX "jobs_due" ON "jobs" USING btree ("state","run_at");--> statement-breakpoint
ALTER TABLE "sources" RENAME COLUMN "hearing" TO "transcribing";--> statement-breakpoint
UPDATE "sources" SET "transcribing" = "transcribing" || jsonb_build_object('state', CASE WHEN "transcribing"->>'job' IS NULL THEN 'failed' ELSE 'working' END) WHERE "transcribing" IS NOT NULL;--> statement-breakpoint
INSERT INTO "jobs" ("kind", "key", "payload") SELECT 'transcribe', 'transcribe ' || "id", jsonb_build_object('source', "id") FROM "sources" WHERE "transcribing"->>'state' = 'working';
