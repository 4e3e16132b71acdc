ALTER TABLE "sent_pictures" DROP CONSTRAINT "sent_pictures_digest_pictures_digest_fk";--> statement-breakpoint
-- A picture was the one file made of it, named by its digest: its id begins that digest.
ALTER TABLE "pictures" RENAME TO "pictures_of_before";--> statement-breakpoint
ALTER TABLE "pictures_of_before" RENAME CONSTRAINT "pictures_pkey" TO "pictures_of_before_pkey";--> statement-breakpoint
CREATE TABLE "clips" (
	"address" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"player" text NOT NULL,
	"title" text NOT NULL,
	"author" text DEFAULT '' NOT NULL,
	"provider" text DEFAULT '' NOT NULL,
	"width" integer DEFAULT 0 NOT NULL,
	"height" integer DEFAULT 0 NOT NULL,
	"still" text DEFAULT '' NOT NULL,
	"looked_at" timestamp with time zone DEFAULT now() NOT NULL,
	"looked_by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "cover_templates" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"design" jsonb NOT NULL,
	"kept_at" timestamp with time zone DEFAULT now() NOT NULL,
	"kept_by" text NOT NULL,
	CONSTRAINT "cover_templates_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "picture_variants" (
	"picture_id" uuid NOT NULL,
	"purpose" text NOT NULL,
	"format" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"digest" text NOT NULL,
	"bytes" integer NOT NULL,
	CONSTRAINT "picture_variants_picture_id_purpose_format_pk" PRIMARY KEY("picture_id","purpose","format")
);
--> statement-breakpoint
CREATE TABLE "pictures" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"original" text NOT NULL,
	"type" text NOT NULL,
	"original_bytes" integer NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"rights" jsonb NOT NULL,
	"alt" text DEFAULT '' NOT NULL,
	"focus" jsonb NOT NULL,
	"quality" integer NOT NULL,
	"look" text DEFAULT '' NOT NULL,
	"colour" text DEFAULT '' NOT NULL,
	"gone_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"created_by" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "picture_variants" ADD CONSTRAINT "picture_variants_picture_id_pictures_id_fk" FOREIGN KEY ("picture_id") REFERENCES "public"."pictures"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "picture_variants_digest" ON "picture_variants" USING btree ("digest");--> statement-breakpoint
CREATE INDEX "pictures_created" ON "pictures" USING btree ("created_at");--> statement-breakpoint
CREATE INDEX "pictures_original" ON "pictures" USING btree ("original");--> statement-breakpoint
INSERT INTO "pictures" ("id", "name", "original", "type", "original_bytes", "width", "height", "rights", "focus", "quality", "created_at", "created_by")
SELECT substr("digest", 1, 32)::uuid, "name", "original", '', "original_bytes", "width", "height",
	'{"licence":"unknown","credit":"","source":"","holder":""}', '{"x":0.5,"y":0.5}', 72, "created_at", 'writer' FROM "pictures_of_before";--> statement-breakpoint
INSERT INTO "picture_variants" SELECT substr("digest", 1, 32)::uuid, 'full', "type", "width", "height", "digest", "bytes" FROM "pictures_of_before";--> statement-breakpoint
DROP TABLE "pictures_of_before";--> statement-breakpoint
UPDATE "ideas" SET "pictures" = regexp_replace("pictures"::text, '/pictures/([0-9a-f]{8})([0-9a-f]{4})([0-9a-f]{4})([0-9a-f]{4})([0-9a-f]{12})[0-9a-f]{32}\.webp', '/pictures/\1-\2-\3-\4-\5', 'g')::jsonb;--> statement-breakpoint
-- Which files a page names is kept with what was found on it.
UPDATE "pieces" SET "looks" = jsonb_set("looks", '{files}', (
	SELECT coalesce(jsonb_agg(DISTINCT '/pictures/' || substr(m[1], 1, 32)::uuid), '[]') FROM "versions" v,
	regexp_matches(v."doc"::text, '/pictures/([0-9a-f]{64})\.webp', 'g') m WHERE v."piece_id" = "pieces"."id" AND v."version" = "pieces"."version"
)) WHERE "looks" IS NOT NULL;
