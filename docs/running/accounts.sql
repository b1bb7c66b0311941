-- The database and its two accounts. Change both passwords, here and in yastik.env.
CREATE DATABASE yastik CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
-- Owns the tables: migrations, backup and restore.
CREATE USER yastik@'127.0.0.1' IDENTIFIED BY 'change me too';
GRANT ALL ON yastik.* TO yastik@'127.0.0.1';
GRANT RELOAD, BINLOG MONITOR, BINLOG REPLAY ON *.* TO yastik@'127.0.0.1';
-- Of the app: rows alone.
CREATE USER yastik_app@'127.0.0.1' IDENTIFIED BY 'change me';
GRANT SELECT, INSERT, UPDATE, DELETE ON yastik.* TO yastik_app@'127.0.0.1';
