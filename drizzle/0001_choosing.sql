CREATE TABLE `coupons` (
	`id` text PRIMARY KEY NOT NULL,
	`model_id` text NOT NULL,
	`card` text NOT NULL,
	`position` integer NOT NULL,
	`rev` integer DEFAULT 0 NOT NULL,
	`deleted_ms` integer,
	FOREIGN KEY (`model_id`) REFERENCES `models`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `coupons_model` ON `coupons` (`model_id`);--> statement-breakpoint
CREATE TABLE `photos` (
	`hash` text PRIMARY KEY NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL
);
--> statement-breakpoint
ALTER TABLE `layers` ADD `more` text;--> statement-breakpoint
ALTER TABLE `parts` ADD `photo` text;--> statement-breakpoint
ALTER TABLE `regions` ADD `more` text;