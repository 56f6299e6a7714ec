CREATE TABLE `instrument` (
	`id` binary(16) NOT NULL,
	`name` varchar(120) NOT NULL,
	`kind` enum('contact','air','hygrometer','moisture') NOT NULL,
	`offset` double NOT NULL,
	`uncertainty` double NOT NULL,
	`settle_s` int NOT NULL,
	`archived` boolean NOT NULL DEFAULT false,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `instrument_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `handover` (
	`id` binary(16) NOT NULL,
	`loan_id` binary(16) NOT NULL,
	`camera_id` binary(16) NOT NULL,
	`who` varchar(120) NOT NULL,
	`out` json NOT NULL,
	`back` json,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `handover_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `kit` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`items` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `kit_id` PRIMARY KEY(`id`),
	CONSTRAINT `kit_visit_id_unique` UNIQUE(`visit_id`)
);
--> statement-breakpoint
CREATE TABLE `kit_list` (
	`id` binary(16) NOT NULL,
	`kind` enum('heat-loss','drafts','damp','no-heat','buying','acceptance','open-up','seasonal','solar-gain') NOT NULL,
	`items` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `kit_list_id` PRIMARY KEY(`id`),
	CONSTRAINT `kit_list_kind_unique` UNIQUE(`kind`)
);
--> statement-breakpoint
CREATE TABLE `log` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`name` varchar(160) NOT NULL,
	`entries` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `log_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `put_back` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`kind` enum('source','thermostat','head','valve','register','vent','cylinder','blind','mark','other') NOT NULL,
	`what` varchar(160) NOT NULL,
	`was` varchar(120) NOT NULL,
	`now` varchar(120) NOT NULL,
	`changed_at` datetime(3) NOT NULL,
	`put_back_at` datetime(3),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `put_back_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `recording` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`stop_key` varchar(160) NOT NULL,
	`taken_at` datetime(3) NOT NULL,
	`seconds` double NOT NULL,
	`media_type` varchar(32) NOT NULL,
	`file_sha` binary(32) NOT NULL,
	CONSTRAINT `recording_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `stop` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`key` varchar(160) NOT NULL,
	`answer` enum('seen','nothing','unreached','unsolved'),
	`reason` varchar(240) NOT NULL DEFAULT '',
	`note` text NOT NULL,
	`probes` json NOT NULL,
	`opened_at` datetime(3),
	`answered_at` datetime(3),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `stop_id` PRIMARY KEY(`id`),
	CONSTRAINT `stop_once` UNIQUE(`visit_id`,`key`)
);
--> statement-breakpoint
CREATE TABLE `surface` (
	`id` binary(16) NOT NULL,
	`site_id` binary(16) NOT NULL,
	`room_id` binary(16),
	`name` varchar(120) NOT NULL,
	`kind` enum('wall','floor','ceiling','facade','roof') NOT NULL,
	`azimuth` double,
	`mass` enum('light','brick','stone') NOT NULL,
	`behind` enum('outside','unheated','loft','passage','ground','neighbour','room') NOT NULL,
	`width_m` double NOT NULL,
	`height_m` double NOT NULL,
	`openings` json NOT NULL,
	`other_side_id` binary(16),
	`ordinal` int NOT NULL,
	`described` json,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `surface_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `settings` DROP CONSTRAINT `settings_one_owner`;--> statement-breakpoint
ALTER TABLE `camera` ADD `columns` int DEFAULT 320 NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `rows` int DEFAULT 240 NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `field_deg` double DEFAULT 50 NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `noise_k` double DEFAULT 0.06 NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `min_distance_m` double DEFAULT 0.3 NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `offset_k` double DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `clock_ahead_s` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `parts` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `trained` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `checks` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `archived` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `frame` ADD `surface_id` binary(16);--> statement-breakpoint
ALTER TABLE `frame` ADD `stop_key` varchar(160);--> statement-breakpoint
ALTER TABLE `frame` ADD `discarded` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `frame` ADD `offset_k` double DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` ADD `role` enum('view','close-up','plate') DEFAULT 'view' NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` ADD `stop_key` varchar(160);--> statement-breakpoint
ALTER TABLE `photo` ADD `discarded` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `settings` ADD `surface_id` binary(16);--> statement-breakpoint
ALTER TABLE `room` ADD `kind` enum('living','bedroom','kitchen','bathroom','hall','stairs','utility','workshop','garage','cabin','loft','cellar') DEFAULT 'living' NOT NULL;--> statement-breakpoint
ALTER TABLE `room` ADD `storey` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `room` ADD `plan_x` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `room` ADD `plan_y` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `room` ADD `plan_width` int DEFAULT 4 NOT NULL;--> statement-breakpoint
ALTER TABLE `room` ADD `plan_depth` int DEFAULT 4 NOT NULL;--> statement-breakpoint
ALTER TABLE `room` ADD `height_m` double DEFAULT 2.4 NOT NULL;--> statement-breakpoint
ALTER TABLE `visit` ADD `camera_id` binary(16);--> statement-breakpoint
ALTER TABLE `settings` ADD CONSTRAINT `settings_surface_id_unique` UNIQUE(`surface_id`);--> statement-breakpoint
ALTER TABLE `handover` ADD CONSTRAINT `handover_loan_id_loan_id_fk` FOREIGN KEY (`loan_id`) REFERENCES `loan`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `handover` ADD CONSTRAINT `handover_camera_id_camera_id_fk` FOREIGN KEY (`camera_id`) REFERENCES `camera`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `kit` ADD CONSTRAINT `kit_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `log` ADD CONSTRAINT `log_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `put_back` ADD CONSTRAINT `put_back_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `recording` ADD CONSTRAINT `recording_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `recording` ADD CONSTRAINT `recording_file_sha_blob_sha_fk` FOREIGN KEY (`file_sha`) REFERENCES `blob`(`sha`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `stop` ADD CONSTRAINT `stop_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `surface` ADD CONSTRAINT `surface_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `surface` ADD CONSTRAINT `surface_room_id_room_id_fk` FOREIGN KEY (`room_id`) REFERENCES `room`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `log_of_visit` ON `log` (`visit_id`);--> statement-breakpoint
CREATE INDEX `put_back_of_visit` ON `put_back` (`visit_id`);--> statement-breakpoint
CREATE INDEX `recording_of_visit` ON `recording` (`visit_id`);--> statement-breakpoint
CREATE INDEX `surface_of_site` ON `surface` (`site_id`);--> statement-breakpoint
ALTER TABLE `settings` ADD CONSTRAINT `settings_one_owner` CHECK ((`settings`.`visit_id` is not null) + (`settings`.`surface_id` is not null) + (`settings`.`frame_id` is not null) + (`settings`.`region_id` is not null) = 1);--> statement-breakpoint
ALTER TABLE `frame` ADD CONSTRAINT `frame_surface_id_surface_id_fk` FOREIGN KEY (`surface_id`) REFERENCES `surface`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `settings` ADD CONSTRAINT `settings_surface_id_surface_id_fk` FOREIGN KEY (`surface_id`) REFERENCES `surface`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `visit` ADD CONSTRAINT `visit_camera_id_camera_id_fk` FOREIGN KEY (`camera_id`) REFERENCES `camera`(`id`) ON DELETE no action ON UPDATE no action;