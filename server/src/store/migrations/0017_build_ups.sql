CREATE TABLE `thermal_bridge` (
	`name` varchar(120) NOT NULL,
	`insulation` varchar(20),
	`length_m` double,
	`psi_wm_k` double,
	`count` int,
	`chi_w_k` double,
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `thermal_bridge_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `defect` (
	`name` varchar(120) NOT NULL,
	`area` char(36) character set ascii collate ascii_bin NOT NULL,
	`sort` varchar(20) NOT NULL,
	`area_m2` double NOT NULL,
	`fill` double,
	`u_value` double,
	`minutes` double,
	`place` varchar(480),
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `defect_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `material` (
	`name` varchar(120) NOT NULL,
	`group` varchar(20) NOT NULL,
	`alters` varchar(60),
	`basis` varchar(480) NOT NULL,
	`conductivity_wm_k` double,
	`rsi` double,
	`thickness_m` double,
	`mu_dry` double,
	`mu_damp` double,
	`sd_dry_m` double,
	`sd_damp_m` double,
	`density_kg_m3` double,
	`carbon_kg_m3` double,
	`stored_kg_m3` double,
	`agent` json,
	`pressing` varchar(20) NOT NULL,
	`vapour_kind` varchar(20) NOT NULL,
	`is_airtight` boolean NOT NULL,
	`traits` varchar(480),
	`id` char(36) character set ascii collate ascii_bin NOT NULL,
	`ledger_id` char(36) character set ascii collate ascii_bin NOT NULL,
	`revision` int NOT NULL,
	`change_number` bigint NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`updated_by` varchar(120) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `material_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `house` ADD `climate_id` varchar(60);--> statement-breakpoint
ALTER TABLE `house` ADD `weather` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `house` ADD `daily_spread_k` double;--> statement-breakpoint
ALTER TABLE `house` ADD `indoor` json;--> statement-breakpoint
ALTER TABLE `house` ADD `winter_design_c` double;--> statement-breakpoint
ALTER TABLE `house` ADD `requirements` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `house` ADD `greatest_heat_loss_w_k` double;--> statement-breakpoint
ALTER TABLE `house` ADD `least_grade` varchar(20);--> statement-breakpoint
ALTER TABLE `house` ADD `energy_price` double;--> statement-breakpoint
ALTER TABLE `house` ADD `heater_efficiency` double;--> statement-breakpoint
ALTER TABLE `house` ADD `ventilation_m3h` double;--> statement-breakpoint
ALTER TABLE `house` ADD `heat_recovery` double;--> statement-breakpoint
ALTER TABLE `area` ADD `claimed_rsi` double;--> statement-breakpoint
ALTER TABLE `area` ADD `claimed_by` varchar(20);--> statement-breakpoint
ALTER TABLE `area` ADD `ground` json;--> statement-breakpoint
ALTER TABLE `area` ADD `requirement` json;--> statement-breakpoint
CREATE INDEX `thermal_bridge_changes` ON `thermal_bridge` (`ledger_id`,`change_number`);--> statement-breakpoint
CREATE INDEX `defect_changes` ON `defect` (`ledger_id`,`change_number`);--> statement-breakpoint
CREATE INDEX `material_changes` ON `material` (`ledger_id`,`change_number`);