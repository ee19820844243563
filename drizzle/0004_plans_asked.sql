CREATE TABLE `plans_asked` (
	`model_id` text PRIMARY KEY NOT NULL,
	`how` text NOT NULL,
	`asked_ms` integer NOT NULL,
	FOREIGN KEY (`model_id`) REFERENCES `models`(`id`) ON UPDATE no action ON DELETE cascade
);
