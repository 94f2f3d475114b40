CREATE TABLE "evidence" (
	"site_id" text NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"position" integer NOT NULL,
	"file" text NOT NULL,
	"picture" boolean NOT NULL,
	"found" jsonb NOT NULL,
	"put_away" boolean DEFAULT false NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "evidence_site_id_id_pk" PRIMARY KEY("site_id","id"),
	CONSTRAINT "evidence_id_shape" CHECK ("evidence"."id" ~ '^[a-z][a-z0-9-]{0,59}$')
);
--> statement-breakpoint
ALTER TABLE "evidence" ADD CONSTRAINT "evidence_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "evidence" ADD CONSTRAINT "evidence_file_files_hash_fk" FOREIGN KEY ("file") REFERENCES "public"."files"("hash") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "evidence_position" ON "evidence" USING btree ("site_id","position");