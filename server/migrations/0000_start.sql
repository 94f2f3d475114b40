CREATE TABLE "changes" (
	"site_id" text NOT NULL,
	"sequence" bigint NOT NULL,
	"id" text NOT NULL,
	"change" jsonb NOT NULL,
	"inverse" jsonb NOT NULL,
	"author" text NOT NULL,
	"window_id" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "changes_site_id_sequence_pk" PRIMARY KEY("site_id","sequence"),
	CONSTRAINT "changes_once" UNIQUE("site_id","id"),
	CONSTRAINT "changes_sequence" CHECK ("changes"."sequence" > 0)
);
--> statement-breakpoint
CREATE TABLE "editions" (
	"site_id" text NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"sequence" bigint NOT NULL,
	"document" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "editions_site_id_id_pk" PRIMARY KEY("site_id","id")
);
--> statement-breakpoint
CREATE TABLE "files" (
	"hash" text PRIMARY KEY NOT NULL,
	"type" text NOT NULL,
	"size" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "files_hash" CHECK ("files"."hash" ~ '^[0-9a-f]{64}$'),
	CONSTRAINT "files_size" CHECK ("files"."size" = length("files"."bytes"))
);
--> statement-breakpoint
CREATE TABLE "pages" (
	"site_id" text NOT NULL,
	"id" text NOT NULL,
	"document" jsonb NOT NULL,
	CONSTRAINT "pages_site_id_id_pk" PRIMARY KEY("site_id","id")
);
--> statement-breakpoint
CREATE TABLE "publishes" (
	"site_id" text NOT NULL,
	"number" integer NOT NULL,
	"sequence" bigint NOT NULL,
	"manifest" jsonb NOT NULL,
	"verdict" jsonb NOT NULL,
	"site" jsonb NOT NULL,
	"live" boolean NOT NULL,
	"author" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "publishes_site_id_number_pk" PRIMARY KEY("site_id","number")
);
--> statement-breakpoint
CREATE TABLE "rate_limits" (
	"key" varchar(255) PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"hash" text PRIMARY KEY NOT NULL,
	"user_id" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sign_in_tokens" (
	"hash" text PRIMARY KEY NOT NULL,
	"user_id" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "sites" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"sequence" bigint DEFAULT 0 NOT NULL,
	"document" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sites_id_shape" CHECK ("sites"."id" ~ '^[a-z][a-z0-9-]{0,59}$'),
	CONSTRAINT "sites_sequence" CHECK ("sites"."sequence" >= 0)
);
--> statement-breakpoint
CREATE TABLE "users" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_author_users_id_fk" FOREIGN KEY ("author") REFERENCES "public"."users"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "editions" ADD CONSTRAINT "editions_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pages" ADD CONSTRAINT "pages_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "publishes" ADD CONSTRAINT "publishes_site_id_sites_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "publishes" ADD CONSTRAINT "publishes_author_users_id_fk" FOREIGN KEY ("author") REFERENCES "public"."users"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sign_in_tokens" ADD CONSTRAINT "sign_in_tokens_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "publishes_one_live" ON "publishes" USING btree ("site_id") WHERE "publishes"."live";--> statement-breakpoint
CREATE INDEX "publishes_at" ON "publishes" USING btree ("site_id","at");