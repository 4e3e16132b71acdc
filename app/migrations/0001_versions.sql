CREATE TABLE "journal_mark" (
	"id" integer PRIMARY KEY NOT NULL,
	"entry" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "versions" (
	"piece_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"save_key" text,
	"doc" jsonb NOT NULL,
	"details" jsonb NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL,
	"saved_by" text NOT NULL,
	CONSTRAINT "versions_piece_id_version_pk" PRIMARY KEY("piece_id","version"),
	CONSTRAINT "versions_save_key" UNIQUE("piece_id","save_key")
);
--> statement-breakpoint
DROP INDEX "pieces_touched";--> statement-breakpoint
ALTER TABLE "pieces" ALTER COLUMN "version" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "title_key" text;--> statement-breakpoint
UPDATE "pieces" SET "title_key" = lower("title");--> statement-breakpoint
ALTER TABLE "pieces" ALTER COLUMN "title_key" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "sources" ADD COLUMN "duration_ms" integer;--> statement-breakpoint
ALTER TABLE "versions" ADD CONSTRAINT "versions_piece_id_pieces_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."pieces"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "pieces_touched" ON "pieces" USING btree ("touched_at","id");--> statement-breakpoint
CREATE INDEX "pieces_title" ON "pieces" USING btree ("title_key","id");--> statement-breakpoint
INSERT INTO "versions" ("piece_id", "version", "doc", "details", "saved_at", "saved_by")
	SELECT "id", "version", "doc", "details", "touched_at", "touched_by" FROM "pieces";--> statement-breakpoint
UPDATE "sources" SET "duration_ms" = (
	SELECT max(coalesce(p->>'endMs', p->>'startMs')::numeric)::int FROM jsonb_array_elements("passages") AS p
);--> statement-breakpoint
ALTER TABLE "pieces" DROP COLUMN "doc";--> statement-breakpoint
ALTER TABLE "pieces" DROP COLUMN "details";