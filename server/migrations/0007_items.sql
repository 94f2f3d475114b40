CREATE TABLE "items" (
	"site_id" text NOT NULL,
	"id" text NOT NULL,
	"document" jsonb NOT NULL,
	CONSTRAINT "items_site_id_id_pk" PRIMARY KEY("site_id","id")
);
--> statement-breakpoint
ALTER TABLE "items" ADD CONSTRAINT "items_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE cascade;