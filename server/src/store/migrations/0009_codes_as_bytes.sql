ALTER TABLE `house` MODIFY COLUMN `id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `house` MODIFY COLUMN `ledger_id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `area` MODIFY COLUMN `id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `area` MODIFY COLUMN `ledger_id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `airtightness_test` MODIFY COLUMN `id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `airtightness_test` MODIFY COLUMN `ledger_id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` MODIFY COLUMN `sha256` char(64) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` MODIFY COLUMN `before_id` char(36) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `photo` MODIFY COLUMN `id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` MODIFY COLUMN `ledger_id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `practice` MODIFY COLUMN `id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `practice` MODIFY COLUMN `ledger_id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `ledger_change` MODIFY COLUMN `ledger_id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `ledger_change` MODIFY COLUMN `change_id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `ledger_change` MODIFY COLUMN `record_id` char(36) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `ledger` MODIFY COLUMN `id` char(36) character set ascii collate ascii_bin NOT NULL;