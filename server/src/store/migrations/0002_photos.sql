CREATE TABLE `photo` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	`sha256` char(64) NOT NULL,
	`width_px` smallint NOT NULL,
	`height_px` smallint NOT NULL,
	`bytes` int NOT NULL,
	`taken_at` varchar(30),
	`subject` json NOT NULL,
	`caption` varchar(500) NOT NULL,
	`marks` json NOT NULL,
	`before_id` char(36),
	CONSTRAINT `photo_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `photo_changes` ON `photo` (`house_id`,`change_number`);