CREATE TABLE `pair` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`before_visit_id` binary(16) NOT NULL,
	`before_frame_id` binary(16) NOT NULL,
	`after_frame_id` binary(16) NOT NULL,
	`finding_id` binary(16),
	`title` varchar(160) NOT NULL,
	`regions` json NOT NULL,
	`points` json NOT NULL,
	`outcome` enum('closed','open','accepted'),
	`note` text NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `pair_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `pair` ADD CONSTRAINT `pair_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `pair` ADD CONSTRAINT `pair_after_frame_id_frame_id_fk` FOREIGN KEY (`after_frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;