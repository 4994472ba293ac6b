CREATE TABLE "media" (
	"hash" text PRIMARY KEY NOT NULL,
	"type" text NOT NULL,
	"size_bytes" integer NOT NULL,
	"small" "bytea",
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"unnamed_since" timestamp with time zone DEFAULT now()
);
--> statement-breakpoint
CREATE TABLE "media_chunks" (
	"hash" text NOT NULL,
	"n" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "media_chunks_hash_n_pk" PRIMARY KEY("hash","n")
);
--> statement-breakpoint
CREATE TABLE "taken_edits" (
	"seq" serial NOT NULL,
	"production_id" text NOT NULL,
	"edit_id" text NOT NULL,
	"client" text NOT NULL,
	"revision" integer NOT NULL,
	CONSTRAINT "taken_edits_production_id_edit_id_pk" PRIMARY KEY("production_id","edit_id")
);
--> statement-breakpoint
CREATE INDEX "taken_edits_by_revision" ON "taken_edits" USING btree ("production_id","revision");--> statement-breakpoint
ALTER TABLE "productions" DROP COLUMN "last_edit_ids";