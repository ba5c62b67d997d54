CREATE TABLE `work` (
	`what` varchar(20) NOT NULL,
	`name` varchar(120),
	`on` json NOT NULL,
	`days` smallint NOT NULL,
	`after` json NOT NULL,
	`pinned_start` char(10),
	`begun_on` char(10),
	`done_on` char(10),
	`half` varchar(20),
	`trade` varchar(20),
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `work_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `plan` ADD `workdays` json DEFAULT ('["monday","tuesday","wednesday","thursday","friday"]') NOT NULL;--> statement-breakpoint
ALTER TABLE `plan` ADD `closed_days` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
CREATE INDEX `work_changes` ON `work` (`ledger_id`,`change_number`);