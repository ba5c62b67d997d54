-- What was a house's is a ledger's. Each step may be taken again where a start was cut off between them.
ALTER TABLE `house` RENAME COLUMN IF EXISTS `house_id` TO `ledger_id`;--> statement-breakpoint
ALTER TABLE `area` RENAME COLUMN IF EXISTS `house_id` TO `ledger_id`;--> statement-breakpoint
ALTER TABLE `airtightness_test` RENAME COLUMN IF EXISTS `house_id` TO `ledger_id`;--> statement-breakpoint
ALTER TABLE `photo` RENAME COLUMN IF EXISTS `house_id` TO `ledger_id`;--> statement-breakpoint
RENAME TABLE IF EXISTS `house_counter` TO `ledger`;--> statement-breakpoint
ALTER TABLE `ledger` RENAME COLUMN IF EXISTS `house_id` TO `id`;--> statement-breakpoint
ALTER TABLE `ledger` ADD COLUMN IF NOT EXISTS `kind` varchar(20) NOT NULL DEFAULT 'house' AFTER `id`;--> statement-breakpoint
ALTER TABLE `ledger` ALTER COLUMN `kind` DROP DEFAULT;--> statement-breakpoint
RENAME TABLE IF EXISTS `house_change` TO `ledger_change`;--> statement-breakpoint
ALTER TABLE `ledger_change` RENAME COLUMN IF EXISTS `house_id` TO `ledger_id`;--> statement-breakpoint
ALTER TABLE `ledger_change` RENAME INDEX IF EXISTS `house_change_number` TO `ledger_change_number`;--> statement-breakpoint
ALTER TABLE `ledger_change` RENAME INDEX IF EXISTS `house_change_record` TO `ledger_change_record`;
