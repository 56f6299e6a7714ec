ALTER TABLE `boiler_card` MODIFY COLUMN `fuel` enum('natural-gas','propane','oil','pellets');--> statement-breakpoint
ALTER TABLE `emitter` MODIFY COLUMN `build` enum('single','single-fins','double','double-one-fins','double-fins','triple-fins','column','rail','baseboard');--> statement-breakpoint
ALTER TABLE `emitter` MODIFY COLUMN `exponent` double;--> statement-breakpoint
ALTER TABLE `emitter` MODIFY COLUMN `turns_open` double;--> statement-breakpoint
ALTER TABLE `heating` MODIFY COLUMN `school` enum('usual','condensing','heat-pump','own');--> statement-breakpoint
ALTER TABLE `heating` MODIFY COLUMN `flow_set_c` double;--> statement-breakpoint
ALTER TABLE `pipe` MODIFY COLUMN `material` enum('copper','steel','plastic');--> statement-breakpoint
ALTER TABLE `pipe` MODIFY COLUMN `outer_mm` double;--> statement-breakpoint
ALTER TABLE `pipe` MODIFY COLUMN `wall_mm` double;--> statement-breakpoint
ALTER TABLE `pipe` MODIFY COLUMN `lagging_mm` double;--> statement-breakpoint
ALTER TABLE `pipe` MODIFY COLUMN `air_c` double;--> statement-breakpoint
ALTER TABLE `pipe` MODIFY COLUMN `hours_year` double;--> statement-breakpoint
ALTER TABLE `tail_reading` MODIFY COLUMN `room_c` double;--> statement-breakpoint
ALTER TABLE `hunt` MODIFY COLUMN `side` enum('hot','cold');--> statement-breakpoint
ALTER TABLE `hunt` MODIFY COLUMN `covering` enum('none','tile','vinyl','timber','carpet');--> statement-breakpoint
ALTER TABLE `plan` MODIFY COLUMN `inside_c` double;--> statement-breakpoint
ALTER TABLE `visit` MODIFY COLUMN `mould_factor` double;--> statement-breakpoint
UPDATE `boiler_card` SET `fuel` = NULL WHERE `fuel` = 'natural-gas' AND `licence` = '';--> statement-breakpoint
UPDATE `emitter` SET `build` = NULL WHERE `build` IN ('double-one-fins', 'rail', 'baseboard');--> statement-breakpoint
UPDATE `emitter` SET `exponent` = NULL WHERE `exponent` = 1.3;--> statement-breakpoint
UPDATE `emitter` SET `turns_open` = NULL WHERE `turns_open` = 4;--> statement-breakpoint
UPDATE `heating` SET `school` = NULL WHERE `school` = 'usual' AND `target_k` = 12 AND `tolerance_k` = 2;--> statement-breakpoint
UPDATE `heating` SET `flow_set_c` = NULL WHERE `flow_set_c` = 60;--> statement-breakpoint
UPDATE `pipe` SET `material` = NULL WHERE `material` = 'copper';--> statement-breakpoint
UPDATE `pipe` SET `outer_mm` = NULL WHERE `outer_mm` = 22;--> statement-breakpoint
UPDATE `pipe` SET `wall_mm` = NULL WHERE `wall_mm` = 1;--> statement-breakpoint
UPDATE `pipe` SET `lagging_mm` = NULL WHERE `lagging_mm` = 0;--> statement-breakpoint
UPDATE `pipe` SET `air_c` = NULL WHERE `air_c` = 20;--> statement-breakpoint
UPDATE `pipe` SET `hours_year` = NULL WHERE `hours_year` = 5000;--> statement-breakpoint
UPDATE `tail_reading` SET `room_c` = NULL WHERE `room_c` = 20 AND `visit_id` IN (SELECT `visit_id` FROM `conditions` WHERE `inside_c` IS NULL);--> statement-breakpoint
UPDATE `hunt` SET `side` = NULL WHERE `side` = 'hot';--> statement-breakpoint
UPDATE `hunt` SET `covering` = NULL WHERE `covering` = 'tile';--> statement-breakpoint
UPDATE `plan` SET `inside_c` = NULL WHERE `inside_c` = 20;--> statement-breakpoint
UPDATE `visit` SET `mould_factor` = NULL WHERE `mould_factor` = 0.7;
