ALTER TABLE "changes" ADD COLUMN "size" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "incarnation" uuid DEFAULT gen_random_uuid() NOT NULL;--> statement-breakpoint
UPDATE "changes" SET "size" = length("change"::text);--> statement-breakpoint
ALTER TABLE "files" ALTER COLUMN "bytes" SET STORAGE EXTERNAL;
