CREATE TABLE `layers` (
	`id` text PRIMARY KEY NOT NULL,
	`region_id` text NOT NULL,
	`product_id` text NOT NULL,
	`position` integer NOT NULL,
	`coats` integer NOT NULL,
	`heaviness` text NOT NULL,
	`wft_um` real,
	`gap_min` real,
	`before` text NOT NULL,
	`sand_after` text,
	FOREIGN KEY (`region_id`) REFERENCES `regions`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`product_id`) REFERENCES `products`(`id`) ON UPDATE no action ON DELETE restrict
);
--> statement-breakpoint
CREATE INDEX `layers_region` ON `layers` (`region_id`);--> statement-breakpoint
CREATE INDEX `layers_product` ON `layers` (`product_id`);--> statement-breakpoint
CREATE TABLE `log` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`model_id` text NOT NULL,
	`region_id` text NOT NULL,
	`op_id` text NOT NULL,
	`kind` text NOT NULL,
	`at_ms` integer NOT NULL,
	`entry` text NOT NULL,
	FOREIGN KEY (`model_id`) REFERENCES `models`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `log_id_unique` ON `log` (`id`);--> statement-breakpoint
CREATE INDEX `log_model` ON `log` (`model_id`,`seq`);--> statement-breakpoint
CREATE TABLE `models` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`scale` text NOT NULL,
	`note` text NOT NULL,
	`position` integer NOT NULL,
	`rev` integer DEFAULT 0 NOT NULL,
	`deleted_ms` integer
);
--> statement-breakpoint
CREATE TABLE `overrides` (
	`region_id` text NOT NULL,
	`key` text NOT NULL,
	`reason` text NOT NULL,
	PRIMARY KEY(`region_id`, `key`),
	FOREIGN KEY (`region_id`) REFERENCES `regions`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `parts` (
	`id` text PRIMARY KEY NOT NULL,
	`model_id` text NOT NULL,
	`name` text NOT NULL,
	`count` integer NOT NULL,
	`note` text NOT NULL,
	`position` integer NOT NULL,
	`rev` integer DEFAULT 0 NOT NULL,
	`deleted_ms` integer,
	FOREIGN KEY (`model_id`) REFERENCES `models`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `parts_model` ON `parts` (`model_id`);--> statement-breakpoint
CREATE TABLE `plans` (
	`model_id` text PRIMARY KEY NOT NULL,
	`answer` text NOT NULL,
	`inputs_hash` text NOT NULL,
	`planned_ms` integer NOT NULL,
	`before_done_min` real,
	FOREIGN KEY (`model_id`) REFERENCES `models`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `products` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL,
	`facts` text NOT NULL,
	`position` integer NOT NULL,
	`rev` integer DEFAULT 0 NOT NULL,
	`deleted_ms` integer
);
--> statement-breakpoint
CREATE TABLE `regions` (
	`id` text PRIMARY KEY NOT NULL,
	`part_id` text NOT NULL,
	`name` text NOT NULL,
	`material` text,
	`conditions` text NOT NULL,
	`area_cm2` real,
	`finish` text NOT NULL,
	`detail_um` real,
	`ridge_um` real,
	`exposure` text NOT NULL,
	`prep` text NOT NULL,
	`stack_rev` integer DEFAULT 0 NOT NULL,
	`position` integer NOT NULL,
	`rev` integer DEFAULT 0 NOT NULL,
	`deleted_ms` integer,
	FOREIGN KEY (`part_id`) REFERENCES `parts`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `regions_part` ON `regions` (`part_id`);--> statement-breakpoint
CREATE TABLE `shop` (
	`id` integer PRIMARY KEY NOT NULL,
	`settings` text NOT NULL,
	`air_set_ms` integer NOT NULL,
	`current_model_id` text,
	`rev` integer DEFAULT 0 NOT NULL,
	CONSTRAINT "one_shop" CHECK("shop"."id" = 1)
);
