CREATE TABLE "piece_card" (
	"piece_id" uuid PRIMARY KEY NOT NULL,
	"workspace_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"worked_out_with" text NOT NULL,
	"card" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "workspace" ADD COLUMN "settings_revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "piece_card" ADD CONSTRAINT "piece_card_piece_id_piece_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."piece"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_card" ADD CONSTRAINT "piece_card_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE cascade ON UPDATE no action;