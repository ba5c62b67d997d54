CREATE TABLE `feature` (
	`use` varchar(40) NOT NULL,
	`what` varchar(20),
	`name` varchar(120),
	`on` char(36) character set ascii collate ascii_bin NOT NULL,
	`along_m` double,
	`count` smallint NOT NULL,
	`width_m` double,
	`spacing_m` double,
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `feature_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `plan` ADD `schools` json DEFAULT ('{"airBarrier":null,"vapour":null,"framing":null,"insulation":null,"sealsSeams":null,"hasServiceSpace":null,"isForSound":null}') NOT NULL;--> statement-breakpoint
ALTER TABLE `plan` ADD `insulation_above` json;--> statement-breakpoint
ALTER TABLE `plan` ADD `insulation_below` json;--> statement-breakpoint
ALTER TABLE `plan` ADD `schools_at` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `plan` ADD `walking` json DEFAULT ('{"turning":"right","outside":"first"}') NOT NULL;--> statement-breakpoint
ALTER TABLE `plan` ADD `checkpoints_added` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `plan` ADD `checkpoints_off` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
CREATE INDEX `feature_changes` ON `feature` (`ledger_id`,`change_number`);