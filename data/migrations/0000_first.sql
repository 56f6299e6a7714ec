CREATE TABLE `blob` (
	`sha` binary(32) NOT NULL,
	`size` int NOT NULL,
	`bytes` longblob NOT NULL,
	CONSTRAINT `blob_sha` PRIMARY KEY(`sha`)
);
--> statement-breakpoint
CREATE TABLE `camera` (
	`id` binary(16) NOT NULL,
	`name` varchar(120) NOT NULL,
	`calibration_k` double NOT NULL DEFAULT 1,
	`uniformity_k` double NOT NULL DEFAULT 0.1,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `camera_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `command` (
	`id` binary(16) NOT NULL,
	`at` datetime(3) NOT NULL,
	`answer` json NOT NULL,
	CONSTRAINT `command_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `finding` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`frame_id` binary(16) NOT NULL,
	`pair_id` binary(16) NOT NULL,
	`photo_id` binary(16),
	`title` varchar(160) NOT NULL,
	`note` text NOT NULL,
	`recorded_at` datetime(3) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `finding_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `pair` (
	`id` binary(16) NOT NULL,
	`this_region_id` binary(16) NOT NULL,
	`that_region_id` binary(16) NOT NULL,
	CONSTRAINT `pair_id` PRIMARY KEY(`id`),
	CONSTRAINT `pair_once` UNIQUE(`this_region_id`,`that_region_id`)
);
--> statement-breakpoint
CREATE TABLE `frame` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`room_id` binary(16),
	`camera_id` binary(16),
	`name` varchar(160) NOT NULL,
	`side` enum('inside','outside') NOT NULL DEFAULT 'inside',
	`taken_at` datetime(3) NOT NULL,
	`file_name` varchar(255) NOT NULL,
	`file_sha` binary(32) NOT NULL,
	`pixels_sha` binary(32) NOT NULL,
	`thumb_sha` binary(32) NOT NULL,
	`thumb_width` int NOT NULL,
	`thumb_height` int NOT NULL,
	`width` int NOT NULL,
	`height` int NOT NULL,
	`format` varchar(16) NOT NULL,
	`source_unit` varchar(2) NOT NULL,
	`basis` json NOT NULL,
	`noise_k` double NOT NULL,
	`min_c` double NOT NULL,
	`max_c` double NOT NULL,
	`mean_c` double NOT NULL,
	`own_low_c` double,
	`own_high_c` double,
	`reference_id` binary(16),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `frame_id` PRIMARY KEY(`id`),
	CONSTRAINT `frame_file_once` UNIQUE(`visit_id`,`file_sha`),
	CONSTRAINT `frame_size` CHECK(`frame`.`width` >= 2 and `frame`.`height` >= 2)
);
--> statement-breakpoint
CREATE TABLE `region` (
	`id` binary(16) NOT NULL,
	`frame_id` binary(16) NOT NULL,
	`name` varchar(80) NOT NULL,
	`shape` json NOT NULL,
	`ordinal` int NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `region_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `loan` (
	`id` binary(16) NOT NULL,
	`name` varchar(160) NOT NULL,
	`time_zone` varchar(64) NOT NULL,
	`latitude` double NOT NULL,
	`longitude` double NOT NULL,
	`starts_at` datetime(3) NOT NULL,
	`ends_at` datetime(3) NOT NULL,
	`inside_c` double NOT NULL,
	`strictness` enum('usual','strict') NOT NULL,
	`weather_id` binary(16),
	`archived` boolean NOT NULL DEFAULT false,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `loan_id` PRIMARY KEY(`id`),
	CONSTRAINT `loan_ends_after_it_begins` CHECK(`loan`.`ends_at` > `loan`.`starts_at`)
);
--> statement-breakpoint
CREATE TABLE `loan_home` (
	`id` binary(16) NOT NULL,
	`loan_id` binary(16) NOT NULL,
	`site_id` binary(16) NOT NULL,
	`ordinal` int NOT NULL,
	`minutes` int NOT NULL,
	`travel_minutes` int NOT NULL,
	`presences` json NOT NULL,
	`facades` json,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `loan_home_id` PRIMARY KEY(`id`),
	CONSTRAINT `loan_home_once` UNIQUE(`loan_id`,`site_id`)
);
--> statement-breakpoint
CREATE TABLE `photo` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`frame_id` binary(16),
	`name` varchar(160) NOT NULL,
	`taken_at` datetime(3) NOT NULL,
	`file_name` varchar(255) NOT NULL,
	`file_sha` binary(32) NOT NULL,
	`media_type` varchar(32) NOT NULL,
	`width` int NOT NULL,
	`height` int NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `photo_id` PRIMARY KEY(`id`),
	CONSTRAINT `photo_file_once` UNIQUE(`visit_id`,`file_sha`)
);
--> statement-breakpoint
CREATE TABLE `settings` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16),
	`frame_id` binary(16),
	`region_id` binary(16),
	`emissivity` double,
	`reflected_c` double,
	`air_c` double,
	`humidity_pct` double,
	`distance_m` double,
	`transmittance` double,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `settings_id` PRIMARY KEY(`id`),
	CONSTRAINT `settings_visit_id_unique` UNIQUE(`visit_id`),
	CONSTRAINT `settings_frame_id_unique` UNIQUE(`frame_id`),
	CONSTRAINT `settings_region_id_unique` UNIQUE(`region_id`),
	CONSTRAINT `settings_one_owner` CHECK((`settings`.`visit_id` is not null) + (`settings`.`frame_id` is not null) + (`settings`.`region_id` is not null) = 1),
	CONSTRAINT `settings_emissivity` CHECK(`settings`.`emissivity` is null or (`settings`.`emissivity` > 0 and `settings`.`emissivity` <= 1)),
	CONSTRAINT `settings_transmittance` CHECK(`settings`.`transmittance` is null or (`settings`.`transmittance` > 0 and `settings`.`transmittance` <= 1))
);
--> statement-breakpoint
CREATE TABLE `room` (
	`id` binary(16) NOT NULL,
	`site_id` binary(16) NOT NULL,
	`name` varchar(120) NOT NULL,
	`ordinal` int NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `room_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `site` (
	`id` binary(16) NOT NULL,
	`name` varchar(120) NOT NULL,
	`address` varchar(240) NOT NULL DEFAULT '',
	`time_zone` varchar(64) NOT NULL,
	`latitude` double,
	`longitude` double,
	`facades` json NOT NULL,
	`archived` boolean NOT NULL DEFAULT false,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `site_id` PRIMARY KEY(`id`),
	CONSTRAINT `site_latitude` CHECK(`site`.`latitude` is null or `site`.`latitude` between -90 and 90),
	CONSTRAINT `site_longitude` CHECK(`site`.`longitude` is null or `site`.`longitude` between -180 and 180)
);
--> statement-breakpoint
CREATE TABLE `conditions` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`inside_c` double,
	`outside_c` double,
	`humidity_pct` double,
	`wind_ms` double,
	`sun_h` double,
	`rain_h` double,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `conditions_id` PRIMARY KEY(`id`),
	CONSTRAINT `conditions_visit_id_unique` UNIQUE(`visit_id`),
	CONSTRAINT `conditions_inside` CHECK(`conditions`.`inside_c` is null or `conditions`.`inside_c` > -273.15),
	CONSTRAINT `conditions_outside` CHECK(`conditions`.`outside_c` is null or `conditions`.`outside_c` > -273.15),
	CONSTRAINT `conditions_humidity` CHECK(`conditions`.`humidity_pct` is null or `conditions`.`humidity_pct` between 0 and 100)
);
--> statement-breakpoint
CREATE TABLE `intake` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`kind` enum('heat-loss','drafts','damp','no-heat','buying','acceptance','open-up','seasonal','solar-gain') NOT NULL,
	`complaints` json NOT NULL,
	`history` json NOT NULL,
	`people` varchar(500) NOT NULL DEFAULT '',
	`access` varchar(500) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `intake_id` PRIMARY KEY(`id`),
	CONSTRAINT `intake_visit_id_unique` UNIQUE(`visit_id`)
);
--> statement-breakpoint
CREATE TABLE `plan` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`inside_c` double NOT NULL,
	`strictness` enum('usual','strict') NOT NULL,
	`time_constants_h` json NOT NULL,
	`weather_id` binary(16),
	`first_day` varchar(10),
	`slot_from` datetime(3),
	`slot_to` datetime(3),
	`letter` text,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `plan_id` PRIMARY KEY(`id`),
	CONSTRAINT `plan_visit_id_unique` UNIQUE(`visit_id`)
);
--> statement-breakpoint
CREATE TABLE `visit` (
	`id` binary(16) NOT NULL,
	`site_id` binary(16) NOT NULL,
	`title` varchar(160) NOT NULL,
	`question` varchar(1000) NOT NULL DEFAULT '',
	`archived` boolean NOT NULL DEFAULT false,
	`started_at` datetime(3) NOT NULL,
	`below_k` double NOT NULL DEFAULT 6,
	`above_k` double NOT NULL DEFAULT 6,
	`colour_map` varchar(16) NOT NULL DEFAULT 'hearth',
	`reference_inside_id` binary(16),
	`reference_outside_id` binary(16),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `visit_id` PRIMARY KEY(`id`),
	CONSTRAINT `visit_span` CHECK(`visit`.`below_k` > 0 and `visit`.`above_k` > 0)
);
--> statement-breakpoint
CREATE TABLE `weather` (
	`id` binary(16) NOT NULL,
	`file_name` varchar(255) NOT NULL,
	`format` varchar(8) NOT NULL,
	`file_sha` binary(32) NOT NULL,
	`starts_at` datetime(3) NOT NULL,
	`count` int NOT NULL,
	`hours` json NOT NULL,
	`warnings` json NOT NULL,
	CONSTRAINT `weather_id` PRIMARY KEY(`id`),
	CONSTRAINT `weather_file_sha_unique` UNIQUE(`file_sha`)
);
--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_pair_id_pair_id_fk` FOREIGN KEY (`pair_id`) REFERENCES `pair`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_photo_id_photo_id_fk` FOREIGN KEY (`photo_id`) REFERENCES `photo`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `pair` ADD CONSTRAINT `pair_this_region_id_region_id_fk` FOREIGN KEY (`this_region_id`) REFERENCES `region`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `pair` ADD CONSTRAINT `pair_that_region_id_region_id_fk` FOREIGN KEY (`that_region_id`) REFERENCES `region`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `frame` ADD CONSTRAINT `frame_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `frame` ADD CONSTRAINT `frame_room_id_room_id_fk` FOREIGN KEY (`room_id`) REFERENCES `room`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `frame` ADD CONSTRAINT `frame_camera_id_camera_id_fk` FOREIGN KEY (`camera_id`) REFERENCES `camera`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `frame` ADD CONSTRAINT `frame_file_sha_blob_sha_fk` FOREIGN KEY (`file_sha`) REFERENCES `blob`(`sha`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `frame` ADD CONSTRAINT `frame_pixels_sha_blob_sha_fk` FOREIGN KEY (`pixels_sha`) REFERENCES `blob`(`sha`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `frame` ADD CONSTRAINT `frame_thumb_sha_blob_sha_fk` FOREIGN KEY (`thumb_sha`) REFERENCES `blob`(`sha`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `region` ADD CONSTRAINT `region_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `loan` ADD CONSTRAINT `loan_weather_id_weather_id_fk` FOREIGN KEY (`weather_id`) REFERENCES `weather`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `loan_home` ADD CONSTRAINT `loan_home_loan_id_loan_id_fk` FOREIGN KEY (`loan_id`) REFERENCES `loan`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `loan_home` ADD CONSTRAINT `loan_home_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `photo` ADD CONSTRAINT `photo_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `photo` ADD CONSTRAINT `photo_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `photo` ADD CONSTRAINT `photo_file_sha_blob_sha_fk` FOREIGN KEY (`file_sha`) REFERENCES `blob`(`sha`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `settings` ADD CONSTRAINT `settings_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `settings` ADD CONSTRAINT `settings_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `settings` ADD CONSTRAINT `settings_region_id_region_id_fk` FOREIGN KEY (`region_id`) REFERENCES `region`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `room` ADD CONSTRAINT `room_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `conditions` ADD CONSTRAINT `conditions_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `intake` ADD CONSTRAINT `intake_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `plan` ADD CONSTRAINT `plan_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `plan` ADD CONSTRAINT `plan_weather_id_weather_id_fk` FOREIGN KEY (`weather_id`) REFERENCES `weather`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `visit` ADD CONSTRAINT `visit_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `weather` ADD CONSTRAINT `weather_file_sha_blob_sha_fk` FOREIGN KEY (`file_sha`) REFERENCES `blob`(`sha`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `region_of_frame` ON `region` (`frame_id`);