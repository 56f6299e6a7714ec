CREATE TABLE `truth` (
	`frame_id` binary(16) NOT NULL,
	`simulator` int NOT NULL,
	`drift` double NOT NULL,
	`scene` json NOT NULL,
	CONSTRAINT `truth_frame_id` PRIMARY KEY(`frame_id`)
);
--> statement-breakpoint
ALTER TABLE `camera` ADD `slope` double DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `frame` ADD `slope` double DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `surface` ADD `hidden` json;--> statement-breakpoint
ALTER TABLE `conditions` ADD `wind_from_deg` double;--> statement-breakpoint
ALTER TABLE `conditions` ADD `cloud_pct` double;--> statement-breakpoint
ALTER TABLE `plan` ADD `season` enum('weather','heated','cooled') DEFAULT 'weather' NOT NULL;--> statement-breakpoint
ALTER TABLE `visit` ADD `mould_factor` double DEFAULT 0.7 NOT NULL;--> statement-breakpoint
ALTER TABLE `truth` ADD CONSTRAINT `truth_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
UPDATE `visit` SET `shade` = JSON_SET(`shade`, '$.from', '80 % humid') WHERE JSON_VALUE(`shade`, '$.from') = 'mould risk';
