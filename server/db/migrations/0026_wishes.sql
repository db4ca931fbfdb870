CREATE TABLE "wish" (
	"id" uuid PRIMARY KEY NOT NULL,
	"piece" jsonb NOT NULL,
	"price" double precision NOT NULL
);
