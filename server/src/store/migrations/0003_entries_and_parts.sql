ALTER TABLE `house_change` ADD `parts` json;--> statement-breakpoint
ALTER TABLE `house_change` ADD `entered_at` datetime(3);