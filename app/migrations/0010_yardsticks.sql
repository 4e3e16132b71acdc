CREATE TABLE "yardstick_pages" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"yardstick_id" uuid NOT NULL,
	"address" text DEFAULT '' NOT NULL,
	"position" integer NOT NULL,
	"page" jsonb NOT NULL,
	"before" jsonb,
	"is_out" boolean DEFAULT false NOT NULL,
	"because" text DEFAULT '' NOT NULL,
	"is_decided" boolean DEFAULT false NOT NULL,
	"read_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "yardsticks" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"phrase" text NOT NULL,
	"phrase_key" text NOT NULL,
	"columns" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"created_by" text NOT NULL,
	CONSTRAINT "yardsticks_phrase_key_unique" UNIQUE("phrase_key")
);
--> statement-breakpoint
ALTER TABLE "yardstick_pages" ADD CONSTRAINT "yardstick_pages_yardstick_id_yardsticks_id_fk" FOREIGN KEY ("yardstick_id") REFERENCES "public"."yardsticks"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "yardstick_pages_yardstick" ON "yardstick_pages" USING btree ("yardstick_id","position");