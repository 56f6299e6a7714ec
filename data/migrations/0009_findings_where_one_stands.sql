CREATE TABLE `exhibit` (
	`id` binary(16) NOT NULL,
	`finding_id` binary(16) NOT NULL,
	`role` enum('also','other-side','beside','after') NOT NULL,
	`frame_id` binary(16),
	`this_region_id` binary(16),
	`that_region_id` binary(16),
	`stated_by` enum('mean','coldest','warmest') NOT NULL DEFAULT 'mean',
	`photo_id` binary(16),
	`note` varchar(400) NOT NULL DEFAULT '',
	`added_at` datetime(3) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `exhibit_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `own_stop` (
	`id` binary(16) NOT NULL,
	`site_id` binary(16) NOT NULL,
	`room_id` binary(16),
	`title` varchar(120) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `own_stop_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `service` (
	`id` binary(16) NOT NULL,
	`site_id` binary(16) NOT NULL,
	`room_id` binary(16) NOT NULL,
	`kind` enum('radiator','towel-rail','baseboard','floor-loop','electric-heater','manifold','thermostat','boiler','cylinder','supply-register','return-register','air-handler','outdoor-unit','sink','bath','shower','toilet','drain','breaker-panel','inverter','socket','fireplace','flue','flap','refrigerator') NOT NULL,
	`name` varchar(120) NOT NULL,
	`x` double NOT NULL,
	`y` double NOT NULL,
	`ordinal` int NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `service_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `finding` MODIFY COLUMN `frame_id` binary(16);--> statement-breakpoint
ALTER TABLE `finding` MODIFY COLUMN `this_region_id` binary(16);--> statement-breakpoint
ALTER TABLE `finding` MODIFY COLUMN `that_region_id` binary(16);--> statement-breakpoint
ALTER TABLE `finding` ADD `basis` enum('pair','side-by-side','typed','shape','picture','nothing','unsolved') DEFAULT 'pair' NOT NULL;--> statement-breakpoint
ALTER TABLE `finding` ADD `stop_key` varchar(160);--> statement-breakpoint
ALTER TABLE `finding` ADD `complaint_id` binary(16);--> statement-breakpoint
ALTER TABLE `finding` ADD `typed` json;--> statement-breakpoint
ALTER TABLE `finding` ADD `next` varchar(400) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `finding` ADD `state` enum('open','closed','accepted') DEFAULT 'open' NOT NULL;--> statement-breakpoint
ALTER TABLE `finding` ADD `tried` enum('blind','door-shut','rug','door-snake','device-off','curtain-open');--> statement-breakpoint
ALTER TABLE `finding` ADD `tried_at` datetime(3);--> statement-breakpoint
ALTER TABLE `finding` ADD `length_m` double;--> statement-breakpoint
ALTER TABLE `finding` ADD `material` varchar(120) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `stop` ADD `struck` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `intake` ADD `own_home` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `visit` ADD `answer` varchar(2000) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `visit` ADD `next_day` varchar(10);--> statement-breakpoint
ALTER TABLE `exhibit` ADD CONSTRAINT `exhibit_finding_id_finding_id_fk` FOREIGN KEY (`finding_id`) REFERENCES `finding`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `exhibit` ADD CONSTRAINT `exhibit_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `exhibit` ADD CONSTRAINT `exhibit_this_region_id_region_id_fk` FOREIGN KEY (`this_region_id`) REFERENCES `region`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `exhibit` ADD CONSTRAINT `exhibit_that_region_id_region_id_fk` FOREIGN KEY (`that_region_id`) REFERENCES `region`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `exhibit` ADD CONSTRAINT `exhibit_photo_id_photo_id_fk` FOREIGN KEY (`photo_id`) REFERENCES `photo`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `own_stop` ADD CONSTRAINT `own_stop_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `own_stop` ADD CONSTRAINT `own_stop_room_id_room_id_fk` FOREIGN KEY (`room_id`) REFERENCES `room`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `service` ADD CONSTRAINT `service_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `service` ADD CONSTRAINT `service_room_id_room_id_fk` FOREIGN KEY (`room_id`) REFERENCES `room`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `service_of_site` ON `service` (`site_id`);