CREATE TABLE `forecast` (
	`at_ms` integer PRIMARY KEY NOT NULL,
	`temp_c` real NOT NULL,
	`rh_pct` real NOT NULL,
	`airflow_m_s` real
);
--> statement-breakpoint
CREATE TABLE `local_airs` (
	`id` text PRIMARY KEY NOT NULL,
	`part_id` text NOT NULL,
	`card` text NOT NULL,
	`position` integer NOT NULL,
	FOREIGN KEY (`part_id`) REFERENCES `parts`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `local_airs_part` ON `local_airs` (`part_id`);--> statement-breakpoint
CREATE TABLE `readings` (
	`at_ms` integer NOT NULL,
	`source` text NOT NULL,
	`temp_c` real NOT NULL,
	`rh_pct` real NOT NULL,
	`airflow_m_s` real,
	PRIMARY KEY(`at_ms`, `source`)
);
