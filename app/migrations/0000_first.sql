CREATE TABLE "outlets" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"endpoint" text NOT NULL,
	"media_endpoint" text,
	"token" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pictures" (
	"digest" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"type" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"bytes" integer NOT NULL,
	"original" text NOT NULL,
	"original_bytes" integer NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "piece_sources" (
	"piece_id" uuid NOT NULL,
	"source_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"edits" jsonb NOT NULL,
	CONSTRAINT "piece_sources_piece_id_source_id_pk" PRIMARY KEY("piece_id","source_id")
);
--> statement-breakpoint
CREATE TABLE "pieces" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"step" text DEFAULT 'gather' NOT NULL,
	"doc" jsonb NOT NULL,
	"details" jsonb NOT NULL,
	"title" text NOT NULL,
	"words" integer NOT NULL,
	"section_words" jsonb NOT NULL,
	"next" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"touched_at" timestamp with time zone DEFAULT now() NOT NULL,
	"touched_by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "postings" (
	"piece_id" uuid NOT NULL,
	"outlet_id" uuid NOT NULL,
	"url" text NOT NULL,
	"version" integer NOT NULL,
	"sent_at" timestamp with time zone NOT NULL,
	"sent_by" text NOT NULL,
	CONSTRAINT "postings_piece_id_outlet_id_pk" PRIMARY KEY("piece_id","outlet_id")
);
--> statement-breakpoint
CREATE TABLE "sent_pictures" (
	"outlet_id" uuid NOT NULL,
	"digest" text NOT NULL,
	"url" text NOT NULL,
	CONSTRAINT "sent_pictures_outlet_id_digest_pk" PRIMARY KEY("outlet_id","digest")
);
--> statement-breakpoint
CREATE TABLE "sources" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"digest" text NOT NULL,
	"bytes" integer NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"title" text,
	"passages" jsonb NOT NULL,
	"words" integer NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"created_by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "piece_sources" ADD CONSTRAINT "piece_sources_piece_id_pieces_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."pieces"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_sources" ADD CONSTRAINT "piece_sources_source_id_sources_id_fk" FOREIGN KEY ("source_id") REFERENCES "public"."sources"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "postings" ADD CONSTRAINT "postings_piece_id_pieces_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."pieces"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "postings" ADD CONSTRAINT "postings_outlet_id_outlets_id_fk" FOREIGN KEY ("outlet_id") REFERENCES "public"."outlets"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sent_pictures" ADD CONSTRAINT "sent_pictures_outlet_id_outlets_id_fk" FOREIGN KEY ("outlet_id") REFERENCES "public"."outlets"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sent_pictures" ADD CONSTRAINT "sent_pictures_digest_pictures_digest_fk" FOREIGN KEY ("digest") REFERENCES "public"."pictures"("digest") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "pieces_touched" ON "pieces" USING btree ("touched_at");