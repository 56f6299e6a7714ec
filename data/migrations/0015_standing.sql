ALTER TABLE `frame` MODIFY COLUMN `side` enum('inside','loft','outside') NOT NULL DEFAULT 'inside';--> statement-breakpoint
ALTER TABLE `pair` ADD `wall` enum('light','brick','cavity','stone','unknown');--> statement-breakpoint
ALTER TABLE `pair` ADD `work` enum('places','whole-wall');--> statement-breakpoint
ALTER TABLE `log` ADD `room_id` binary(16);--> statement-breakpoint
ALTER TABLE `room` ADD `heated` boolean;--> statement-breakpoint
ALTER TABLE `conditions` ADD `heating_h` double;--> statement-breakpoint
ALTER TABLE `conditions` ADD `air_h` double;