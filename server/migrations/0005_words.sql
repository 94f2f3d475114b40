ALTER TABLE "evidence" RENAME TO "sources";--> statement-breakpoint
ALTER TABLE "sources" RENAME CONSTRAINT "evidence_site_id_id_pk" TO "sources_site_id_id_pk";--> statement-breakpoint
ALTER TABLE "sources" RENAME CONSTRAINT "evidence_id_shape" TO "sources_id_shape";--> statement-breakpoint
ALTER TABLE "sources" RENAME CONSTRAINT "evidence_site_id_sites_id_fk" TO "sources_site_id_sites_id_fk";--> statement-breakpoint
ALTER TABLE "sources" RENAME CONSTRAINT "evidence_file_files_hash_fk" TO "sources_file_files_hash_fk";--> statement-breakpoint
ALTER INDEX "evidence_position" RENAME TO "sources_position";--> statement-breakpoint
ALTER TABLE "editions" RENAME TO "versions";--> statement-breakpoint
ALTER TABLE "versions" RENAME CONSTRAINT "editions_site_id_id_pk" TO "versions_site_id_id_pk";--> statement-breakpoint
ALTER TABLE "versions" RENAME CONSTRAINT "editions_site_id_sites_id_fk" TO "versions_site_id_sites_id_fk";
