CREATE TABLE `ruling` (
	`id` binary(16) NOT NULL,
	`frame_id` binary(16) NOT NULL,
	`stop_key` varchar(160),
	`ruling` enum('dismissed','unsure') NOT NULL,
	`sign` int NOT NULL,
	`box` json NOT NULL,
	`reason` varchar(240) NOT NULL DEFAULT '',
	`ruled_at` datetime(3) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `ruling_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `look` (
	`key` binary(32) NOT NULL,
	`found` json NOT NULL,
	`made_at` datetime(3) NOT NULL,
	CONSTRAINT `look_key` PRIMARY KEY(`key`)
);
--> statement-breakpoint
ALTER TABLE `finding` ADD `argued` json;--> statement-breakpoint
ALTER TABLE `ruling` ADD CONSTRAINT `ruling_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;