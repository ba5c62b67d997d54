CREATE TABLE `plan` (
	`face` varchar(20) NOT NULL,
	`drawn_at` varchar(20) NOT NULL,
	`build_ups` json NOT NULL,
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `plan_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `storey` (
	`name` varchar(120) NOT NULL,
	`level` smallint NOT NULL,
	`height_m` double NOT NULL,
	`floor_depth_m` double NOT NULL,
	`under` varchar(20) NOT NULL,
	`start` json NOT NULL,
	`outline` json NOT NULL,
	`floor_void_m2` double NOT NULL,
	`counts_as_floor` boolean NOT NULL,
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `storey_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `zone` (
	`name` varchar(120) NOT NULL,
	`storey_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`use` varchar(20) NOT NULL,
	`outline` json NOT NULL,
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `zone_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `roof` (
	`name` varchar(120) NOT NULL,
	`storey_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`form` varchar(20) NOT NULL,
	`outline` json,
	`pitch` double,
	`collar_m` double,
	`wings` json NOT NULL,
	`build_up` char(36) character set ascii collate ascii_bin,
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `roof_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `opening` (
	`name` varchar(120),
	`use` varchar(20) NOT NULL,
	`on` char(36) character set ascii collate ascii_bin NOT NULL,
	`width_m` double,
	`height_m` double,
	`total_m2` double,
	`count` smallint NOT NULL,
	`along_m` double,
	`build_up` char(36) character set ascii collate ascii_bin,
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `opening_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `house` MODIFY COLUMN `volume_m3` double;--> statement-breakpoint
ALTER TABLE `house` MODIFY COLUMN `floor_area_m2` double;--> statement-breakpoint
ALTER TABLE `house` MODIFY COLUMN `envelope_area_m2` double;--> statement-breakpoint
ALTER TABLE `house` MODIFY COLUMN `height_m` double;--> statement-breakpoint
ALTER TABLE `house` MODIFY COLUMN `storeys` smallint;--> statement-breakpoint
ALTER TABLE `area` MODIFY COLUMN `name` varchar(120);--> statement-breakpoint
ALTER TABLE `area` MODIFY COLUMN `kind` varchar(20);--> statement-breakpoint
ALTER TABLE `area` MODIFY COLUMN `build_up` json;--> statement-breakpoint
ALTER TABLE `area` ADD `item` varchar(120);--> statement-breakpoint
ALTER TABLE `area` ADD `item_name` varchar(240);--> statement-breakpoint
CREATE INDEX `plan_changes` ON `plan` (`ledger_id`,`change_number`);--> statement-breakpoint
CREATE INDEX `storey_changes` ON `storey` (`ledger_id`,`change_number`);--> statement-breakpoint
CREATE INDEX `zone_changes` ON `zone` (`ledger_id`,`change_number`);--> statement-breakpoint
CREATE INDEX `roof_changes` ON `roof` (`ledger_id`,`change_number`);--> statement-breakpoint
CREATE INDEX `opening_changes` ON `opening` (`ledger_id`,`change_number`);