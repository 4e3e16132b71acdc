CREATE TABLE "sendings" (
	"piece_id" uuid NOT NULL,
	"outlet_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"held_until" timestamp with time zone NOT NULL,
	"is_over" boolean NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"started_by" text NOT NULL,
	CONSTRAINT "sendings_piece_id_outlet_id_pk" PRIMARY KEY("piece_id","outlet_id")
);
--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "digest" text;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "looks" jsonb;--> statement-breakpoint
ALTER TABLE "sources" ADD COLUMN "upload" text;--> statement-breakpoint
ALTER TABLE "sendings" ADD CONSTRAINT "sendings_piece_id_pieces_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."pieces"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sendings" ADD CONSTRAINT "sendings_outlet_id_outlets_id_fk" FOREIGN KEY ("outlet_id") REFERENCES "public"."outlets"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sources" ADD CONSTRAINT "sources_upload_unique" UNIQUE("upload");