CREATE TABLE `practice` (
	`name` varchar(120) NOT NULL,
	`units` varchar(20) NOT NULL,
	`target` json,
	`reference_method` varchar(20) NOT NULL,
	`assembly_method` varchar(20) NOT NULL,
	`film_convention` varchar(20) NOT NULL,
	`grade_school` varchar(20) NOT NULL,
	`id` char(36) NOT NULL,
	`ledger_id` char(36) NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `practice_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `practice_changes` ON `practice` (`ledger_id`,`change_number`);