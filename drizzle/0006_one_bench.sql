CREATE TABLE `bench_plan` (
	`id` integer PRIMARY KEY NOT NULL,
	`answer` text NOT NULL,
	`inputs_hash` text NOT NULL,
	`planned_ms` integer NOT NULL,
	`before_done_min` real,
	CONSTRAINT "one_plan" CHECK("bench_plan"."id" = 1)
);
--> statement-breakpoint
ALTER TABLE `models` ADD `state` text DEFAULT 'active' NOT NULL;