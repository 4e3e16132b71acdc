CREATE TABLE "drafters" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"form" text NOT NULL,
	"address" text NOT NULL,
	"model" text DEFAULT '' NOT NULL,
	"token" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "ideas" (
	"id" uuid PRIMARY KEY NOT NULL,
	"line" text NOT NULL,
	"notes" text DEFAULT '' NOT NULL,
	"subject" text DEFAULT '' NOT NULL,
	"links" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"pictures" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"wished_for" text,
	"piece_id" uuid,
	"created_at" timestamp with time zone NOT NULL,
	"created_by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "patterns" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"brief" jsonb NOT NULL,
	"kept_at" timestamp with time zone DEFAULT now() NOT NULL,
	"kept_by" text NOT NULL,
	CONSTRAINT "patterns_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "rounds" (
	"id" uuid PRIMARY KEY NOT NULL,
	"piece_id" uuid NOT NULL,
	"section" text NOT NULL,
	"task" text NOT NULL,
	"wish" text NOT NULL,
	"drafter" text NOT NULL,
	"state" text NOT NULL,
	"answer" text DEFAULT '' NOT NULL,
	"passages" jsonb NOT NULL,
	"notes" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"asked" jsonb NOT NULL,
	"asked_at" timestamp with time zone DEFAULT now() NOT NULL,
	"asked_by" text NOT NULL,
	"seconds" real DEFAULT 0 NOT NULL,
	"taken" text,
	"taken_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "ideas" ADD CONSTRAINT "ideas_piece_id_pieces_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."pieces"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rounds" ADD CONSTRAINT "rounds_piece_id_pieces_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."pieces"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "ideas_created" ON "ideas" USING btree ("created_at");--> statement-breakpoint
CREATE INDEX "rounds_of_piece" ON "rounds" USING btree ("piece_id","asked_at");