CREATE TABLE `planning` (
	`model_id` text PRIMARY KEY NOT NULL,
	`said` text NOT NULL,
	`rev` integer DEFAULT 0 NOT NULL,
	FOREIGN KEY (`model_id`) REFERENCES `models`(`id`) ON UPDATE no action ON DELETE cascade
);
