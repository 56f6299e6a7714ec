ALTER TABLE `emitter` MODIFY COLUMN `turns` double;--> statement-breakpoint
ALTER TABLE `valve_turn` MODIFY COLUMN `from_turns` double;--> statement-breakpoint
ALTER TABLE `camera` ADD `assumed` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `loan` ADD `practice` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `plan` ADD `nights` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `visit` ADD `practice` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `visit` ADD `upgraded` enum('became-practice','frames-out');
--> statement-breakpoint
UPDATE `visit` SET `practice` = true, `upgraded` = 'became-practice', `version` = `version` + 1 WHERE EXISTS (SELECT 1 FROM `frame` WHERE `frame`.`visit_id` = `visit`.`id`) AND NOT EXISTS (SELECT 1 FROM `frame` LEFT JOIN `truth` ON `truth`.`frame_id` = `frame`.`id` WHERE `frame`.`visit_id` = `visit`.`id` AND `truth`.`frame_id` IS NULL AND (`frame`.`camera_id` IS NULL OR `frame`.`camera_id` <> UNHEX('0199d00000007000800000000000ca3e')));--> statement-breakpoint
UPDATE `visit` SET `practice` = true, `upgraded` = 'became-practice', `version` = `version` + 1 WHERE `practice` = false AND `site_id` IN (SELECT `site_id` FROM `practice`) AND NOT EXISTS (SELECT 1 FROM `frame` WHERE `frame`.`visit_id` = `visit`.`id`);--> statement-breakpoint
UPDATE `visit` SET `upgraded` = 'frames-out', `version` = `version` + 1 WHERE `practice` = false AND EXISTS (SELECT 1 FROM `frame` LEFT JOIN `truth` ON `truth`.`frame_id` = `frame`.`id` WHERE `frame`.`visit_id` = `visit`.`id` AND `frame`.`discarded` = false AND (`truth`.`frame_id` IS NOT NULL OR `frame`.`camera_id` = UNHEX('0199d00000007000800000000000ca3e')));--> statement-breakpoint
UPDATE `photo` SET `discarded` = true, `version` = `version` + 1 WHERE `discarded` = false AND `visit_id` IN (SELECT `id` FROM `visit` WHERE `practice` = false) AND `frame_id` IN (SELECT `frame`.`id` FROM `frame` LEFT JOIN `truth` ON `truth`.`frame_id` = `frame`.`id` WHERE `truth`.`frame_id` IS NOT NULL OR `frame`.`camera_id` = UNHEX('0199d00000007000800000000000ca3e'));--> statement-breakpoint
UPDATE `frame` SET `discarded` = true, `version` = `version` + 1 WHERE `discarded` = false AND `visit_id` IN (SELECT `id` FROM `visit` WHERE `practice` = false) AND (`camera_id` = UNHEX('0199d00000007000800000000000ca3e') OR `id` IN (SELECT `frame_id` FROM `truth`));--> statement-breakpoint
UPDATE `visit` SET `camera_id` = NULL WHERE `practice` = false AND `camera_id` = UNHEX('0199d00000007000800000000000ca3e');--> statement-breakpoint
UPDATE `camera` SET `assumed` = JSON_ARRAY_APPEND(`assumed`, '$', 'noiseK') WHERE `noise_k` = 0.05 AND `id` <> UNHEX('0199d00000007000800000000000ca3e');--> statement-breakpoint
UPDATE `camera` SET `assumed` = JSON_ARRAY_APPEND(`assumed`, '$', 'calibrationK') WHERE `calibration_k` = 1 AND `id` <> UNHEX('0199d00000007000800000000000ca3e');--> statement-breakpoint
UPDATE `camera` SET `assumed` = JSON_ARRAY_APPEND(`assumed`, '$', 'uniformityK') WHERE `uniformity_k` = 0.08 AND `id` <> UNHEX('0199d00000007000800000000000ca3e');--> statement-breakpoint
UPDATE `camera` SET `assumed` = JSON_ARRAY_APPEND(`assumed`, '$', 'repeatabilityK') WHERE `repeatability_k` = 0.2 AND `id` <> UNHEX('0199d00000007000800000000000ca3e');--> statement-breakpoint
UPDATE `camera` SET `assumed` = JSON_ARRAY_APPEND(`assumed`, '$', 'gain') WHERE `gain` = 0.01 AND `id` <> UNHEX('0199d00000007000800000000000ca3e');--> statement-breakpoint
UPDATE `camera` SET `assumed` = JSON_ARRAY_APPEND(`assumed`, '$', 'blurPx') WHERE `blur_px` = 0.7 AND `id` <> UNHEX('0199d00000007000800000000000ca3e');--> statement-breakpoint
UPDATE `camera` SET `assumed` = JSON_ARRAY_APPEND(`assumed`, '$', 'minDistanceM') WHERE `min_distance_m` = 0.4 AND `id` <> UNHEX('0199d00000007000800000000000ca3e');
--> statement-breakpoint
UPDATE `emitter` SET `turns` = NULL WHERE `turns` = 4 AND `turns_open` = 4;
