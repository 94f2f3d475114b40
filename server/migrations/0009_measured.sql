CREATE TABLE "measured" (
	"site_id" text PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "measured" ADD CONSTRAINT "measured_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE cascade;