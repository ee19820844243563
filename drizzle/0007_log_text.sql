CREATE VIRTUAL TABLE `log_text` USING fts5(text, tokenize = 'unicode61 remove_diacritics 2');
--> statement-breakpoint
INSERT INTO `log_text` (rowid, text) SELECT seq, coalesce(json_extract(entry, '$.title'), '') || ' ' || coalesce(json_extract(entry, '$.note'), '') || ' ' || coalesce(json_extract(entry, '$.override'), '') || ' ' || coalesce(json_extract(entry, '$.sign'), '') || ' ' || coalesce(json_extract(entry, '$.place'), '') FROM `log`;
--> statement-breakpoint
CREATE TRIGGER `log_text_in` AFTER INSERT ON `log` BEGIN
  INSERT INTO `log_text` (rowid, text) VALUES (new.seq, coalesce(json_extract(new.entry, '$.title'), '') || ' ' || coalesce(json_extract(new.entry, '$.note'), '') || ' ' || coalesce(json_extract(new.entry, '$.override'), '') || ' ' || coalesce(json_extract(new.entry, '$.sign'), '') || ' ' || coalesce(json_extract(new.entry, '$.place'), ''));
END;
--> statement-breakpoint
CREATE TRIGGER `log_text_out` AFTER DELETE ON `log` BEGIN
  DELETE FROM `log_text` WHERE rowid = old.seq;
END;
--> statement-breakpoint
CREATE TRIGGER `log_text_new` AFTER UPDATE OF `entry` ON `log` BEGIN
  UPDATE `log_text` SET text = coalesce(json_extract(new.entry, '$.title'), '') || ' ' || coalesce(json_extract(new.entry, '$.note'), '') || ' ' || coalesce(json_extract(new.entry, '$.override'), '') || ' ' || coalesce(json_extract(new.entry, '$.sign'), '') || ' ' || coalesce(json_extract(new.entry, '$.place'), '') WHERE rowid = new.seq;
END;
