CREATE TABLE `cards` (
	`hash` text PRIMARY KEY NOT NULL,
	`card` text NOT NULL
);
