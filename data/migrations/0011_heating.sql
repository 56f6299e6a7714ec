CREATE TABLE `boiler_card` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`boiler` varchar(120) NOT NULL,
	`fuel` enum('natural-gas','propane','oil','pellets') NOT NULL,
	`by` varchar(120) NOT NULL,
	`licence` varchar(80) NOT NULL,
	`tested_at` datetime(3) NOT NULL,
	`states` json NOT NULL,
	`rates` json NOT NULL,
	`parts` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `boiler_card_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `emitter` (
	`id` binary(16) NOT NULL,
	`service_id` binary(16) NOT NULL,
	`place` int,
	`build` enum('single','single-fins','double','double-one-fins','double-fins','triple-fins','column','rail','baseboard') NOT NULL,
	`width_m` double,
	`height_m` double,
	`rated_w` double,
	`exponent` double NOT NULL,
	`turns` double NOT NULL,
	`turns_open` double NOT NULL,
	`sticks` boolean NOT NULL,
	`head_open` boolean NOT NULL,
	`need_w` double,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `emitter_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `face` (
	`id` binary(16) NOT NULL,
	`frame_id` binary(16) NOT NULL,
	`service_id` binary(16) NOT NULL,
	`stage` enum('found','cleaner','agitated','flushed','after') NOT NULL,
	`box` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `face_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `floor_trace` (
	`id` binary(16) NOT NULL,
	`frame_id` binary(16) NOT NULL,
	`name` varchar(120) NOT NULL,
	`box` json NOT NULL,
	`width_m` double,
	`note` varchar(400) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `floor_trace_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `flush` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`steps` json NOT NULL,
	`marks` json NOT NULL,
	`mains_ppm` double,
	`water` json NOT NULL,
	`cleaner` varchar(160) NOT NULL,
	`inhibitor` varchar(160) NOT NULL,
	`by` varchar(120) NOT NULL,
	`note` text NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `flush_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `heating` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`school` enum('usual','condensing','heat-pump','own') NOT NULL,
	`target_k` double NOT NULL,
	`tolerance_k` double NOT NULL,
	`flow_set_c` double NOT NULL,
	`on_at` datetime(3),
	`checks` json NOT NULL,
	`flows` json NOT NULL,
	`mark_bar` double,
	`before_bar` double,
	`after_bar` double,
	`listen_at` datetime(3),
	`walk` int NOT NULL,
	`wait_until` datetime(3),
	`skipped_s` int NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `heating_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `pipe` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`name` varchar(120) NOT NULL,
	`question` enum('valve','zones','run','cylinder') NOT NULL,
	`material` enum('copper','steel','plastic') NOT NULL,
	`outer_mm` double NOT NULL,
	`wall_mm` double NOT NULL,
	`lagging_mm` double NOT NULL,
	`air_c` double NOT NULL,
	`points` json NOT NULL,
	`zones` json NOT NULL,
	`extent` double,
	`water_c` double,
	`surface_c` double,
	`hours_year` double NOT NULL,
	`price_per_kwh` double,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `pipe_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `practice` (
	`site_id` binary(16) NOT NULL,
	`house` json NOT NULL,
	CONSTRAINT `practice_site_id` PRIMARY KEY(`site_id`)
);
--> statement-breakpoint
CREATE TABLE `tail_reading` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`service_id` binary(16) NOT NULL,
	`walk` int NOT NULL,
	`at` datetime(3) NOT NULL,
	`flow_c` double,
	`return_c` double,
	`frame_id` binary(16),
	`flow_region_id` binary(16),
	`return_region_id` binary(16),
	`room_c` double NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `tail_reading_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `valve_turn` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`service_id` binary(16) NOT NULL,
	`walk` int NOT NULL,
	`at` datetime(3) NOT NULL,
	`from_turns` double NOT NULL,
	`to_turns` double NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `valve_turn_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `warming` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`service_id` binary(16) NOT NULL,
	`warm_at` datetime(3),
	`bled_at` datetime(3),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `warming_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `boiler_card` ADD CONSTRAINT `boiler_card_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `emitter` ADD CONSTRAINT `emitter_service_id_service_id_fk` FOREIGN KEY (`service_id`) REFERENCES `service`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `face` ADD CONSTRAINT `face_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `floor_trace` ADD CONSTRAINT `floor_trace_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `flush` ADD CONSTRAINT `flush_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `heating` ADD CONSTRAINT `heating_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `pipe` ADD CONSTRAINT `pipe_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice` ADD CONSTRAINT `practice_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tail_reading` ADD CONSTRAINT `tail_reading_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tail_reading` ADD CONSTRAINT `tail_reading_flow_region_id_region_id_fk` FOREIGN KEY (`flow_region_id`) REFERENCES `region`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tail_reading` ADD CONSTRAINT `tail_reading_return_region_id_region_id_fk` FOREIGN KEY (`return_region_id`) REFERENCES `region`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `valve_turn` ADD CONSTRAINT `valve_turn_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `warming` ADD CONSTRAINT `warming_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `boiler_card_of_visit` ON `boiler_card` (`visit_id`);--> statement-breakpoint
CREATE INDEX `face_of_frame` ON `face` (`frame_id`);--> statement-breakpoint
CREATE INDEX `floor_trace_of_frame` ON `floor_trace` (`frame_id`);--> statement-breakpoint
CREATE INDEX `pipe_of_visit` ON `pipe` (`visit_id`);--> statement-breakpoint
CREATE INDEX `tail_reading_of_visit` ON `tail_reading` (`visit_id`);--> statement-breakpoint
CREATE INDEX `valve_turn_of_visit` ON `valve_turn` (`visit_id`);--> statement-breakpoint
CREATE INDEX `warming_of_visit` ON `warming` (`visit_id`);