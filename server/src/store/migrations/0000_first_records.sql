CREATE TABLE `airtightness_test` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	`stage` varchar(20) NOT NULL,
	`performed_on` char(10) NOT NULL,
	`indoor_temperature_c` double,
	`outdoor_temperature_c` double,
	`altitude_m` double,
	`air_pressure_pa` double,
	`wind_ms` double,
	`fan_ranges` json NOT NULL,
	`depressurise` json,
	`pressurise` json,
	`note` varchar(2000) NOT NULL,
	CONSTRAINT `airtightness_test_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `area` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	`name` varchar(120) NOT NULL,
	`kind` varchar(20) NOT NULL,
	`area_m2` double NOT NULL,
	`build_up` json NOT NULL,
	`grade` varchar(3),
	CONSTRAINT `area_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `house_change` (
	`house_id` char(36) NOT NULL,
	`change_id` char(36) NOT NULL,
	`change_number` bigint NOT NULL,
	`kind` varchar(40) NOT NULL,
	`record_id` char(36) NOT NULL,
	`op` varchar(10) NOT NULL,
	`revision` int NOT NULL,
	`body` json NOT NULL,
	`changed_at` datetime(3) NOT NULL,
	`changed_by` varchar(120) NOT NULL,
	CONSTRAINT `house_change_house_id_change_id_pk` PRIMARY KEY(`house_id`,`change_id`)
);
--> statement-breakpoint
CREATE TABLE `house_counter` (
	`house_id` char(36) NOT NULL,
	`last_change` bigint NOT NULL,
	CONSTRAINT `house_counter_house_id` PRIMARY KEY(`house_id`)
);
--> statement-breakpoint
CREATE TABLE `house` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	`name` varchar(120) NOT NULL,
	`place` varchar(120) NOT NULL,
	`builder` varchar(120) NOT NULL,
	`volume_m3` double NOT NULL,
	`floor_area_m2` double NOT NULL,
	`envelope_area_m2` double NOT NULL,
	`height_m` double NOT NULL,
	`storeys` smallint NOT NULL,
	`bedrooms` smallint NOT NULL,
	`target` json NOT NULL,
	`reference_method` varchar(20) NOT NULL,
	`assembly_method` varchar(20) NOT NULL,
	`film_convention` varchar(20) NOT NULL,
	`grade_school` varchar(20) NOT NULL,
	CONSTRAINT `house_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `airtightness_test_changes` ON `airtightness_test` (`house_id`,`change_number`);--> statement-breakpoint
CREATE INDEX `area_changes` ON `area` (`house_id`,`change_number`);--> statement-breakpoint
CREATE INDEX `house_change_number` ON `house_change` (`house_id`,`change_number`);--> statement-breakpoint
CREATE INDEX `house_change_record` ON `house_change` (`record_id`);--> statement-breakpoint
CREATE INDEX `house_changes` ON `house` (`house_id`,`change_number`);