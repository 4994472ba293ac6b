-- A document is written whole now and then; what was done since stands beside it, a row a revision.
CREATE TABLE "since_written" (
	"production_id" text NOT NULL,
	"revision" integer NOT NULL,
	"commands" jsonb NOT NULL,
	CONSTRAINT "since_written_production_id_revision_pk" PRIMARY KEY("production_id","revision")
);
--> statement-breakpoint
ALTER TABLE "productions" ADD COLUMN "document_revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "productions" ADD COLUMN "shots" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "productions" ADD COLUMN "builds" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE "productions" SET "document_revision" = "revision",
	"shots" = CASE WHEN jsonb_typeof("document"->'shots') = 'array' THEN jsonb_array_length("document"->'shots') ELSE 0 END,
	"builds" = CASE WHEN jsonb_typeof("document"->'builds') = 'array' THEN jsonb_array_length("document"->'builds') ELSE 0 END;--> statement-breakpoint
ALTER TABLE "productions" ALTER COLUMN "document_revision" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "productions" ALTER COLUMN "shots" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "productions" ALTER COLUMN "builds" DROP DEFAULT;
