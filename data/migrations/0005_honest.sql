ALTER TABLE `camera` ADD `gain` double DEFAULT 0.01 NOT NULL;--> statement-breakpoint
ALTER TABLE `camera` ADD `blur_px` double DEFAULT 0.7 NOT NULL;--> statement-breakpoint
ALTER TABLE `settings` ADD `emissivity_shares` json;--> statement-breakpoint
ALTER TABLE `settings` ADD `material` varchar(160);--> statement-breakpoint
ALTER TABLE `settings` ADD `reflected_shares` json;