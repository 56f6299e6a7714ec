CREATE TABLE `probe` (
	`id` binary(16) NOT NULL,
	`frame_id` binary(16) NOT NULL,
	`name` varchar(80) NOT NULL,
	`x` int NOT NULL,
	`y` int NOT NULL,
	`celsius` double NOT NULL,
	`uncertainty_k` double NOT NULL,
	`instrument_id` binary(16),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `probe_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `sequence` (
	`id` binary(16) NOT NULL,
	`visit_id` binary(16) NOT NULL,
	`name` varchar(160) NOT NULL,
	`interval_s` double,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `sequence_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `material` (
	`id` binary(16) NOT NULL,
	`name` varchar(80) NOT NULL,
	`finish` varchar(80) NOT NULL,
	`emissivity` double NOT NULL,
	`low` double NOT NULL,
	`high` double NOT NULL,
	`note` varchar(240) NOT NULL,
	`source` varchar(160) NOT NULL,
	`archived` boolean NOT NULL DEFAULT false,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `material_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `camera` ADD `repeatability_k` double DEFAULT 0.3 NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `alignments` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `frame` ADD `measure` json;--> statement-breakpoint
ALTER TABLE `frame` ADD `sequence_id` binary(16);--> statement-breakpoint
ALTER TABLE `frame` ADD `picked` boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE `frame` ADD `page` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `region` ADD `role` enum('reading','length','leftOut') DEFAULT 'reading' NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` ADD `evidence` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` ADD `typed` json DEFAULT ('{"spots":[],"lowC":null,"highC":null}') NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` ADD `alignment` json;--> statement-breakpoint
ALTER TABLE `photo` ADD `quarters` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` ADD `mirrored` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `settings` ADD `emissivity_u` double;--> statement-breakpoint
ALTER TABLE `settings` ADD `emissivity_from` varchar(160);--> statement-breakpoint
ALTER TABLE `settings` ADD `reflected_u` double;--> statement-breakpoint
ALTER TABLE `settings` ADD `reflected_from` varchar(160);--> statement-breakpoint
ALTER TABLE `settings` ADD `palm` enum('emits','mirror');--> statement-breakpoint
ALTER TABLE `visit` ADD `fixed` json;--> statement-breakpoint
ALTER TABLE `visit` ADD `shade` json;--> statement-breakpoint
ALTER TABLE `frame` ADD CONSTRAINT `frame_page_once` UNIQUE(`visit_id`,`file_sha`,`page`);--> statement-breakpoint
ALTER TABLE `frame` DROP INDEX `frame_file_once`;--> statement-breakpoint
ALTER TABLE `probe` ADD CONSTRAINT `probe_frame_id_frame_id_fk` FOREIGN KEY (`frame_id`) REFERENCES `frame`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `probe` ADD CONSTRAINT `probe_instrument_id_instrument_id_fk` FOREIGN KEY (`instrument_id`) REFERENCES `instrument`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sequence` ADD CONSTRAINT `sequence_visit_id_visit_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visit`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `frame` ADD CONSTRAINT `frame_sequence_id_sequence_id_fk` FOREIGN KEY (`sequence_id`) REFERENCES `sequence`(`id`) ON DELETE set null ON UPDATE no action;