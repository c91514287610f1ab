CREATE TABLE "mat_standing" (
	"mat_id" uuid PRIMARY KEY NOT NULL,
	"workspace_id" uuid NOT NULL,
	"up_to" bigint NOT NULL,
	"program" text NOT NULL,
	"doc" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "photo" (
	"id" uuid PRIMARY KEY NOT NULL,
	"workspace_id" uuid NOT NULL,
	"mat_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"data" "bytea" NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "mat_standing" ADD CONSTRAINT "mat_standing_mat_id_mat_id_fk" FOREIGN KEY ("mat_id") REFERENCES "public"."mat"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mat_standing" ADD CONSTRAINT "mat_standing_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_workspace_id_workspace_id_fk" FOREIGN KEY ("workspace_id") REFERENCES "public"."workspace"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_mat_id_mat_id_fk" FOREIGN KEY ("mat_id") REFERENCES "public"."mat"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "photo_mat" ON "photo" USING btree ("mat_id");