CREATE INDEX `frame_of_name` ON `frame` (`visit_id`,`file_name`);--> statement-breakpoint
CREATE INDEX `frame_of_moment` ON `frame` (`visit_id`,`taken_at`);--> statement-breakpoint
CREATE INDEX `photo_of_name` ON `photo` (`visit_id`,`file_name`);--> statement-breakpoint
CREATE INDEX `photo_of_moment` ON `photo` (`visit_id`,`taken_at`);