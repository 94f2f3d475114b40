CREATE TABLE "letters" (
	"site_id" text NOT NULL,
	"id" text NOT NULL,
	"tray" text NOT NULL,
	"page" text NOT NULL,
	"fields" jsonb NOT NULL,
	"read" boolean DEFAULT false NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "letters_site_id_id_pk" PRIMARY KEY("site_id","id")
);
--> statement-breakpoint
ALTER TABLE "letters" ADD CONSTRAINT "letters_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE cascade;--> statement-breakpoint
CREATE INDEX "letters_at" ON "letters" USING btree ("site_id","at");