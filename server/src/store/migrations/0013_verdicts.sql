CREATE TABLE `verdict` (
	`value` varchar(20) NOT NULL,
	`checkpoint` varchar(60) NOT NULL,
	`item` varchar(120) NOT NULL,
	`catalogue_version` smallint NOT NULL,
	`phase` varchar(20) NOT NULL,
	`looked` varchar(20) NOT NULL,
	`seen_on` char(10) NOT NULL,
	`reasons` json NOT NULL,
	`note` varchar(960),
	`readings` json NOT NULL,
	`place_name` varchar(240) NOT NULL,
	`follows` json NOT NULL,
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `verdict_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `verdict_changes` ON `verdict` (`ledger_id`,`change_number`);