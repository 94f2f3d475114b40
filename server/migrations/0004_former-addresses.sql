CREATE TABLE "former_addresses" (
	"id" text PRIMARY KEY NOT NULL,
	"site_id" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "changes" DROP CONSTRAINT "changes_site_id_sites_id_fk";
--> statement-breakpoint
ALTER TABLE "editions" DROP CONSTRAINT "editions_site_id_sites_id_fk";
--> statement-breakpoint
ALTER TABLE "evidence" DROP CONSTRAINT "evidence_site_id_sites_id_fk";
--> statement-breakpoint
ALTER TABLE "pages" DROP CONSTRAINT "pages_site_id_sites_id_fk";
--> statement-breakpoint
ALTER TABLE "publishes" DROP CONSTRAINT "publishes_site_id_sites_id_fk";
--> statement-breakpoint
ALTER TABLE "former_addresses" ADD CONSTRAINT "former_addresses_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE cascade;--> statement-breakpoint
CREATE INDEX "former_addresses_site" ON "former_addresses" USING btree ("site_id");--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE cascade;--> statement-breakpoint
ALTER TABLE "editions" ADD CONSTRAINT "editions_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE cascade;--> statement-breakpoint
ALTER TABLE "evidence" ADD CONSTRAINT "evidence_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE cascade;--> statement-breakpoint
ALTER TABLE "pages" ADD CONSTRAINT "pages_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE cascade;--> statement-breakpoint
ALTER TABLE "publishes" ADD CONSTRAINT "publishes_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE cascade;