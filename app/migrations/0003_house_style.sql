CREATE TABLE "house_style" (
	"id" integer PRIMARY KEY NOT NULL,
	"style" jsonb NOT NULL
);
