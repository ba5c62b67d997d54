ALTER TABLE `plan` ADD `hole_rules` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `plan` ADD `leak_figures` json DEFAULT ('[]') NOT NULL;