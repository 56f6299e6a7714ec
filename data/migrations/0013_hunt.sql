CREATE TABLE `hunt` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`side` enum('hot','cold') NOT NULL,
	`cover_mm` double,
	`covering` enum('none','tile','vinyl','timber','carpet') NOT NULL,
	`water_c` double,
	`on_at` datetime(3),
	`series` varchar(200),
	`steps` json NOT NULL,
	`litres_min` double,
	`mark` json,
	`found` json,
	`note` text NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `hunt_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `hunt` ADD CONSTRAINT `hunt_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;