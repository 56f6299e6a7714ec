CREATE TABLE `kept` (
	`key` binary(32) NOT NULL,
	`kind` varchar(16) NOT NULL,
	`value` json NOT NULL,
	`made_at` datetime(3) NOT NULL,
	CONSTRAINT `kept_key` PRIMARY KEY(`key`)
);
