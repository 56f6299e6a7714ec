ALTER TABLE `hunt` ADD `price_per_m3` double;--> statement-breakpoint
ALTER TABLE `hunt` ADD `price_per_kwh` double;--> statement-breakpoint
ALTER TABLE `hunt` ADD `timers` json DEFAULT ('{}') NOT NULL;--> statement-breakpoint
ALTER TABLE `hunt` ADD `meter` json DEFAULT ('[]') NOT NULL;