ALTER TABLE `courses` ADD `colour` text DEFAULT 'brass' NOT NULL;--> statement-breakpoint
ALTER TABLE `courses` ADD `archived_at` text;--> statement-breakpoint
ALTER TABLE `assignments` ADD `kind` text DEFAULT 'problem set' NOT NULL;--> statement-breakpoint
ALTER TABLE `assignments` ADD `main_path` text DEFAULT 'sheet.tex' NOT NULL;--> statement-breakpoint
ALTER TABLE `assignments` ADD `edition` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `assignments` ADD `archived_at` text;--> statement-breakpoint
ALTER TABLE `assignments` ADD `deleted_at` text;--> statement-breakpoint
ALTER TABLE `assignments` ADD `posting` text;--> statement-breakpoint
ALTER TABLE `files` ADD `indexed` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX `files_indexed` ON `files` (`indexed`,`revision`);--> statement-breakpoint
DROP TABLE `typesettings`;--> statement-breakpoint
CREATE TABLE `typesettings` (
	`assignment_id` text PRIMARY KEY NOT NULL,
	`edition` integer NOT NULL,
	`pages` integer NOT NULL,
	`to_fix` integer NOT NULL,
	`made_at` text NOT NULL,
	`first_page` blob NOT NULL,
	`pdf` blob NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `blobs` (
	`hash` text PRIMARY KEY NOT NULL,
	`bytes` blob NOT NULL
);
--> statement-breakpoint
CREATE TABLE `versions` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`assignment_id` text NOT NULL,
	`at` text NOT NULL,
	`kind` text NOT NULL,
	`name` text,
	`edition` integer NOT NULL,
	`words` integer NOT NULL,
	`pages` integer,
	`whole` integer NOT NULL,
	`size` integer NOT NULL,
	`content` blob NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `versions_assignment` ON `versions` (`assignment_id`,`id`);--> statement-breakpoint
CREATE TABLE `hand_ins` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`assignment_id` text NOT NULL,
	`version_id` integer NOT NULL,
	`at` text NOT NULL,
	`receipt` text NOT NULL,
	`pdf` blob NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`version_id`) REFERENCES `versions`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `hand_ins_assignment` ON `hand_ins` (`assignment_id`);--> statement-breakpoint
CREATE TABLE `fragments` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`name` text NOT NULL,
	`source` text NOT NULL,
	`packages` text NOT NULL,
	`origin` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `settings` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE VIRTUAL TABLE `search` USING fts5(`content`, tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3');--> statement-breakpoint
CREATE TRIGGER `files_forgotten` AFTER DELETE ON `files` BEGIN
	DELETE FROM `search` WHERE rowid = old.rowid;
END;
