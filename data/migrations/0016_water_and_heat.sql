ALTER TABLE `emitter` ADD `tail` enum('painted','bare','taped','unknown') DEFAULT 'unknown' NOT NULL;--> statement-breakpoint
ALTER TABLE `pipe` ADD `orientation` enum('level','rising');--> statement-breakpoint
ALTER TABLE `pipe` ADD `closed_at` datetime(3);--> statement-breakpoint
ALTER TABLE `pipe` ADD `hot_c` double;--> statement-breakpoint
ALTER TABLE `warming` ADD `taped_walk` int;