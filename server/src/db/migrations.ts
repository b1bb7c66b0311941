// How did the database come to its present shape? One entry per change, in order; an entry that has landed is never edited.

export interface Migration {
  readonly name: string
  readonly up: readonly string[]
  readonly down: readonly string[]
}

const id = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL'
const table = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci'

export const migrations: readonly Migration[] = [
  {
    name: '2026-11-25-first-tables',
    up: [
      `CREATE TABLE firms (id INT AUTO_INCREMENT PRIMARY KEY, name VARCHAR(120) NOT NULL, house_rules LONGTEXT NOT NULL, house_rules_version INT NOT NULL DEFAULT 1,
        products LONGTEXT NOT NULL, equipment LONGTEXT NOT NULL) ${table}`,
      `CREATE TABLE users (id INT AUTO_INCREMENT PRIMARY KEY, firm_id INT NOT NULL, name VARCHAR(120) NOT NULL, sign_in VARCHAR(80) NOT NULL UNIQUE, role VARCHAR(20) NOT NULL,
        password_hash VARCHAR(300) NOT NULL, trained LONGTEXT NOT NULL, FOREIGN KEY (firm_id) REFERENCES firms (id)) ${table}`,
      `CREATE TABLE sessions (token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin PRIMARY KEY, user_id INT NOT NULL, expires_at DATETIME NOT NULL,
        FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE, INDEX (expires_at)) ${table}`,
      `CREATE TABLE rate_limits (bucket VARCHAR(160) NOT NULL PRIMARY KEY, hits INT NOT NULL, ends_at_ms BIGINT NOT NULL) ${table}`,
      `CREATE TABLE sites (id ${id} PRIMARY KEY, firm_id INT NOT NULL, version INT NOT NULL DEFAULT 1, name VARCHAR(120) NOT NULL, form LONGTEXT NOT NULL, saved_by VARCHAR(120) NOT NULL,
        FOREIGN KEY (firm_id) REFERENCES firms (id), INDEX by_name (firm_id, name)) ${table}`,
      `CREATE TABLE units (id ${id} PRIMARY KEY, firm_id INT NOT NULL, site_id ${id}, version INT NOT NULL DEFAULT 1, name VARCHAR(120) NOT NULL, family VARCHAR(30) NOT NULL, design LONGTEXT NOT NULL,
        hours_per_day DOUBLE, saved_by VARCHAR(120) NOT NULL, last_cleaned_at DATETIME(3), FOREIGN KEY (site_id) REFERENCES sites (id), INDEX by_site (site_id, name)) ${table}`,
      `CREATE TABLE jobs (id ${id} PRIMARY KEY, firm_id INT NOT NULL, site_id ${id}, on_date DATE NOT NULL, crew_ids LONGTEXT NOT NULL, closed BOOLEAN NOT NULL DEFAULT FALSE,
        FOREIGN KEY (site_id) REFERENCES sites (id), INDEX by_day (firm_id, closed, on_date)) ${table}`,
      `CREATE TABLE job_units (job_id ${id}, unit_id ${id}, firm_id INT NOT NULL, position INT NOT NULL, stage VARCHAR(20) NOT NULL DEFAULT 'look-over', done INT NOT NULL DEFAULT 0, steps INT NOT NULL DEFAULT 0,
        verdict VARCHAR(20), worst_grade INT, handed_over_at DATETIME(3), handed_over_by INT, scope VARCHAR(30) NOT NULL DEFAULT '', cooling_before_kw DOUBLE, cooling_after_kw DOUBLE,
        PRIMARY KEY (job_id, unit_id), FOREIGN KEY (job_id) REFERENCES jobs (id), FOREIGN KEY (unit_id) REFERENCES units (id), INDEX by_log (firm_id, handed_over_at, job_id, unit_id), INDEX by_unit (unit_id, handed_over_at)) ${table}`,
      `CREATE TABLE events (seq BIGINT AUTO_INCREMENT PRIMARY KEY, id ${id}, firm_id INT NOT NULL, job_id ${id}, unit_id ${id}, by_user INT NOT NULL, at_ms BIGINT NOT NULL, happening LONGTEXT NOT NULL,
        UNIQUE (id), FOREIGN KEY (job_id) REFERENCES jobs (id), INDEX by_job (job_id, seq)) ${table}`,
    ],
    down: ['events', 'job_units', 'jobs', 'units', 'sites', 'rate_limits', 'sessions', 'users', 'firms'].map((name) => `DROP TABLE ${name}`),
  },
  {
    name: '2026-11-25-stores-version',
    up: ['ALTER TABLE firms ADD COLUMN stores_version INT NOT NULL DEFAULT 1'],
    down: ['ALTER TABLE firms DROP COLUMN stores_version'],
  },
  {
    name: '2026-11-25-clocks-and-photos',
    up: [
      'ALTER TABLE events ADD COLUMN ahead_ms BIGINT NULL',
      `CREATE TABLE photos (id ${id} PRIMARY KEY, firm_id INT NOT NULL, job_id ${id}, unit_id ${id}, by_user INT NOT NULL, kind VARCHAR(10) NOT NULL, width INT NOT NULL, height INT NOT NULL,
        bytes INT NOT NULL, sent_sha256 CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, FOREIGN KEY (job_id, unit_id) REFERENCES job_units (job_id, unit_id), INDEX by_firm (firm_id)) ${table}`,
    ],
    down: ['DROP TABLE photos', 'ALTER TABLE events DROP COLUMN ahead_ms'],
  },
  {
    name: '2026-11-25-measures',
    up: ['ALTER TABLE users ADD COLUMN measures LONGTEXT NULL'],
    down: ['ALTER TABLE users DROP COLUMN measures'],
  },
  {
    name: '2026-11-26-upkeep',
    up: [
      'ALTER TABLE firms ADD COLUMN fouling_rates LONGTEXT NULL',
      'ALTER TABLE job_units ADD COLUMN coil_grade INT NULL, ADD COLUMN left_index DOUBLE NULL, ADD COLUMN pan_treatment_weeks DOUBLE NULL',
      // What was handed over before: the worst of all parts stands for coil and wheel, and scopes leave what they usually leave.
      `UPDATE job_units SET coil_grade = worst_grade, left_index = CASE scope WHEN 'strip-down' THEN 0.1 WHEN 'bench-clean' THEN 0.1 WHEN 'open-clean' THEN 0.5 WHEN 'clean-in-place' THEN 0.7 ELSE worst_grade END
        WHERE handed_over_at IS NOT NULL AND worst_grade IS NOT NULL`,
      `CREATE TABLE dues (unit_id ${id}, what VARCHAR(20) NOT NULL, firm_id INT NOT NULL, due_on DATE NOT NULL, low_on DATE NULL, high_on DATE NULL, PRIMARY KEY (unit_id, what),
        FOREIGN KEY (unit_id) REFERENCES units (id), INDEX by_day (firm_id, due_on, unit_id, what)) ${table}`,
    ],
    down: [
      'DROP TABLE dues',
      'ALTER TABLE job_units DROP COLUMN coil_grade, DROP COLUMN left_index, DROP COLUMN pan_treatment_weeks',
      'ALTER TABLE firms DROP COLUMN fouling_rates',
    ],
  },
  {
    name: '2026-11-26-soil-kinds',
    up: ["ALTER TABLE job_units ADD COLUMN soil_kinds VARCHAR(160) NOT NULL DEFAULT ''"],
    down: ['ALTER TABLE job_units DROP COLUMN soil_kinds'],
  },
  {
    name: '2026-11-26-quotes',
    up: [
      `CREATE TABLE quotes (id ${id} PRIMARY KEY, firm_id INT NOT NULL, site_id ${id} NOT NULL, state VARCHAR(20) NOT NULL, made_on DATE NOT NULL, valid_until DATE NOT NULL,
        version INT NOT NULL DEFAULT 1, total DOUBLE NOT NULL, units INT NOT NULL, body LONGTEXT NOT NULL, chosen VARCHAR(40) NULL, job_id ${id} NULL, saved_by VARCHAR(120) NOT NULL,
        FOREIGN KEY (site_id) REFERENCES sites (id), FOREIGN KEY (job_id) REFERENCES jobs (id), INDEX newest (firm_id, made_on, id), INDEX of_job (job_id)) ${table}`,
    ],
    down: ['DROP TABLE quotes'],
  },
  {
    name: '2026-11-26-messages',
    up: [
      `CREATE TABLE messages (id ${id} PRIMARY KEY, firm_id INT NOT NULL, site_id ${id} NOT NULL, quote_id ${id} NULL, kind VARCHAR(20) NOT NULL, channel VARCHAR(10) NOT NULL, address VARCHAR(200) NOT NULL, body TEXT NOT NULL,
        state VARCHAR(20) NOT NULL, tries INT NOT NULL DEFAULT 0, next_at DATETIME(3) NOT NULL, gateway_ref VARCHAR(200) NULL, because VARCHAR(300) NULL, made_at DATETIME(3) NOT NULL, changed_at DATETIME(3) NOT NULL,
        made_by VARCHAR(120) NOT NULL, FOREIGN KEY (site_id) REFERENCES sites (id), INDEX newest (firm_id, made_at, id), INDEX to_send (state, next_at), INDEX of_site (site_id, kind, made_at)) ${table}`,
      `CREATE TABLE replies (id VARCHAR(200) PRIMARY KEY, firm_id INT NOT NULL, message_id ${id} NOT NULL, text VARCHAR(1000) NOT NULL, at DATETIME(3) NOT NULL, FOREIGN KEY (message_id) REFERENCES messages (id)) ${table}`,
      `CREATE TABLE stops (firm_id INT NOT NULL, address VARCHAR(200) NOT NULL, stopped_on DATE NOT NULL, PRIMARY KEY (firm_id, address)) ${table}`,
    ],
    down: ['DROP TABLE stops', 'DROP TABLE replies', 'DROP TABLE messages'],
  },
  {
    name: '2026-11-26-stock',
    up: [
      `CREATE TABLE stock_lots (firm_id INT NOT NULL, product_id VARCHAR(80) NOT NULL, lot VARCHAR(40) NOT NULL, label_date DATE NULL, litres DOUBLE NOT NULL, PRIMARY KEY (firm_id, product_id, lot)) ${table}`,
      `CREATE TABLE stock_moves (id ${id} PRIMARY KEY, firm_id INT NOT NULL, product_id VARCHAR(80) NOT NULL, lot VARCHAR(40) NOT NULL, kind VARCHAR(20) NOT NULL, litres DOUBLE NOT NULL, job_id ${id} NULL, unit_id ${id} NULL,
        moved_at DATETIME(3) NOT NULL, moved_by VARCHAR(120) NOT NULL, FOREIGN KEY (job_id) REFERENCES jobs (id), INDEX newest (firm_id, moved_at, id), INDEX of_job (job_id, product_id)) ${table}`,
      // What was counted so far stood with the products.
      `INSERT INTO stock_lots (firm_id, product_id, lot, label_date, litres) SELECT f.id, p.product_id, '', NULL, p.litres FROM firms f,
        JSON_TABLE(f.products, '$[*]' COLUMNS (product_id VARCHAR(80) PATH '$.id', litres DOUBLE PATH '$.inStockLitres')) p WHERE p.litres IS NOT NULL`,
    ],
    down: ['DROP TABLE stock_moves', 'DROP TABLE stock_lots'],
  },
  {
    name: '2026-11-26-moved-visits',
    // The calendar entry that a visit came from, so that the entry's own changes find it.
    up: [
      'ALTER TABLE jobs ADD COLUMN revision INT NOT NULL DEFAULT 0, ADD COLUMN cancelled_at DATETIME(3) NULL, ADD COLUMN calendar_uid VARCHAR(255) NULL, ADD INDEX by_calendar (firm_id, calendar_uid)',
    ],
    down: ['ALTER TABLE jobs DROP INDEX by_calendar, DROP COLUMN calendar_uid, DROP COLUMN cancelled_at, DROP COLUMN revision'],
  },
  {
    name: '2026-11-26-seen',
    up: ['ALTER TABLE job_units ADD COLUMN seen LONGTEXT NULL'],
    down: ['ALTER TABLE job_units DROP COLUMN seen'],
  },
  {
    name: '2026-11-26-worth-of-dues',
    // What a sum over all that is due needs stands in one index: the family, and when the same unit's deep clean is due.
    up: [
      "ALTER TABLE dues ADD COLUMN family VARCHAR(30) NOT NULL DEFAULT 'wall-head', ADD COLUMN deep_on DATE NULL",
      "UPDATE dues d JOIN units u ON u.id = d.unit_id LEFT JOIN dues e ON e.unit_id = d.unit_id AND e.what = 'deep-clean' SET d.family = u.family, d.deep_on = e.due_on",
      'ALTER TABLE dues ADD INDEX worth (firm_id, what, due_on, family, deep_on)',
    ],
    down: ['ALTER TABLE dues DROP INDEX worth, DROP COLUMN deep_on, DROP COLUMN family'],
  },
  {
    name: '2026-11-26-filters-in-the-log-index',
    // What the logbook is narrowed down by is read in the index: rows that do not fit are never fetched.
    up: ['ALTER TABLE job_units DROP INDEX by_log, ADD INDEX by_log (firm_id, handed_over_at, job_id, unit_id, soil_kinds, verdict, handed_over_by)'],
    down: ['ALTER TABLE job_units DROP INDEX by_log, ADD INDEX by_log (firm_id, handed_over_at, job_id, unit_id)'],
  },
  {
    name: '2026-11-26-past-in-the-unit-index',
    // What the forecast takes from a visit stands in the index: the visits themselves are not fetched for it.
    up: ['ALTER TABLE job_units DROP INDEX by_unit, ADD INDEX by_unit (unit_id, handed_over_at, coil_grade, left_index, pan_treatment_weeks)'],
    down: ['ALTER TABLE job_units DROP INDEX by_unit, ADD INDEX by_unit (unit_id, handed_over_at)'],
  },
  {
    name: '2026-11-27-sign-in-tries',
    up: [
      'DROP TABLE rate_limits',
      `CREATE TABLE sign_in_tries (bucket CHAR(64) NOT NULL PRIMARY KEY, tries INT NOT NULL, tried_at_ms BIGINT NOT NULL, free_at_ms BIGINT NOT NULL,
        taker CHAR(36) NOT NULL, INDEX by_time (tried_at_ms)) ${table}`,
    ],
    down: [
      'DROP TABLE sign_in_tries',
      `CREATE TABLE rate_limits (bucket VARCHAR(160) NOT NULL PRIMARY KEY, hits INT NOT NULL, ends_at_ms BIGINT NOT NULL) ${table}`,
    ],
  },
  {
    name: '2026-11-27-sessions-used',
    // Sessions that are open stay so: they count as used now.
    up: ['ALTER TABLE sessions ADD COLUMN used_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP'],
    down: ['ALTER TABLE sessions DROP COLUMN used_at'],
  },
  {
    name: '2026-11-27-how-sure-grades-are',
    up: [
      `ALTER TABLE job_units ADD COLUMN coil_chances VARCHAR(40) NULL, DROP INDEX by_unit,
         ADD INDEX by_unit (unit_id, handed_over_at, coil_grade, coil_chances, left_index, pan_treatment_weeks)`,
    ],
    down: [
      `ALTER TABLE job_units DROP INDEX by_unit, DROP COLUMN coil_chances,
         ADD INDEX by_unit (unit_id, handed_over_at, coil_grade, left_index, pan_treatment_weeks)`,
    ],
  },
  {
    name: '2026-11-27-people',
    // Who is signed in stays so; each session gets an id by which it is named without its token.
    up: [
      `ALTER TABLE users ADD COLUMN ended_at DATETIME(3) NULL, ADD COLUMN lift_kg DOUBLE NULL, ADD COLUMN last_seen_at DATETIME NULL,
         ADD COLUMN code_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NULL, ADD COLUMN code_until DATETIME(3) NULL,
         ADD COLUMN second_factor LONGTEXT NULL`,
      'ALTER TABLE firms ADD COLUMN owners_need_second_factor BOOLEAN NOT NULL DEFAULT 0',
      `ALTER TABLE sessions ADD COLUMN id ${id} NULL, ADD COLUMN device VARCHAR(200) NOT NULL DEFAULT '', ADD COLUMN made_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP`,
      'UPDATE sessions SET id = UUID()',
      `ALTER TABLE sessions MODIFY COLUMN id ${id}, ADD UNIQUE INDEX by_id (id)`,
    ],
    down: [
      'ALTER TABLE sessions DROP INDEX by_id, DROP COLUMN made_at, DROP COLUMN device, DROP COLUMN id',
      'ALTER TABLE firms DROP COLUMN owners_need_second_factor',
      `ALTER TABLE users DROP COLUMN second_factor, DROP COLUMN code_until, DROP COLUMN code_hash, DROP COLUMN last_seen_at, DROP COLUMN lift_kg,
         DROP COLUMN ended_at`,
    ],
  },
  {
    name: '2026-11-27-audit-and-tokens',
    up: [
      `CREATE TABLE audit (id BIGINT AUTO_INCREMENT PRIMARY KEY, firm_id INT NOT NULL, at DATETIME(3) NOT NULL, by_name VARCHAR(120) NOT NULL, address VARCHAR(64) NOT NULL,
        what VARCHAR(30) NOT NULL, about VARCHAR(200) NOT NULL, before_json LONGTEXT NULL, after_json LONGTEXT NULL, INDEX newest (firm_id, id)) ${table}`,
      `CREATE TABLE tokens (id ${id} PRIMARY KEY, firm_id INT NOT NULL, user_id INT NOT NULL, name VARCHAR(120) NOT NULL, scope VARCHAR(10) NOT NULL,
        token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, made_at DATETIME NOT NULL, ends_on DATE NOT NULL, used_at DATETIME NULL,
        UNIQUE (token_hash), FOREIGN KEY (user_id) REFERENCES users (id), INDEX of_firm (firm_id)) ${table}`,
    ],
    down: ['DROP TABLE tokens', 'DROP TABLE audit'],
  },
  {
    name: '2026-11-27-retention',
    up: ['ALTER TABLE firms ADD COLUMN retention LONGTEXT NULL'],
    down: ['ALTER TABLE firms DROP COLUMN retention'],
  },
  {
    name: '2026-11-27-place-in-the-log',
    // Events are counted within their job: whoever writes to a job's log changes its length, so that on a cluster as well one comes after the other.
    up: [
      'ALTER TABLE jobs ADD COLUMN log_length INT NOT NULL DEFAULT 0',
      'ALTER TABLE events ADD COLUMN place INT NOT NULL DEFAULT 0',
      `UPDATE events e JOIN (SELECT seq, ROW_NUMBER() OVER (PARTITION BY job_id ORDER BY seq) AS place FROM events) n ON n.seq = e.seq SET e.place = n.place`,
      'UPDATE jobs j JOIN (SELECT job_id, COUNT(*) AS length FROM events GROUP BY job_id) n ON n.job_id = j.id SET j.log_length = n.length',
      'ALTER TABLE events ADD UNIQUE INDEX in_log (job_id, place), DROP INDEX by_job',
    ],
    down: ['ALTER TABLE events ADD INDEX by_job (job_id, seq), DROP INDEX in_log, DROP COLUMN place', 'ALTER TABLE jobs DROP COLUMN log_length'],
  },
  {
    name: '2026-11-27-nameplates',
    up: ['ALTER TABLE units ADD COLUMN plate LONGTEXT NULL'],
    down: ['ALTER TABLE units DROP COLUMN plate'],
  },
  {
    name: '2026-11-27-time-of-a-visit',
    up: ['ALTER TABLE jobs ADD COLUMN start_min SMALLINT NULL'],
    down: ['ALTER TABLE jobs DROP COLUMN start_min'],
  },
  {
    name: '2026-11-28-due-by-visit',
    // What is due is listed by site: a unit stays at its own.
    up: [
      `ALTER TABLE dues ADD COLUMN site_id ${id} DEFAULT ''`,
      'UPDATE dues d JOIN units u ON u.id = d.unit_id SET d.site_id = u.site_id',
      'ALTER TABLE dues ALTER COLUMN site_id DROP DEFAULT, ADD INDEX by_visit (firm_id, due_on, what, site_id)',
    ],
    down: ['ALTER TABLE dues DROP INDEX by_visit, DROP COLUMN site_id'],
  },
  {
    name: '2026-11-28-retired',
    up: ['ALTER TABLE sites ADD COLUMN retired_at DATETIME(3) NULL', 'ALTER TABLE units ADD COLUMN retired_at DATETIME(3) NULL'],
    down: ['ALTER TABLE units DROP COLUMN retired_at', 'ALTER TABLE sites DROP COLUMN retired_at'],
  },
  {
    name: '2026-11-28-photographs-of-nameplates',
    up: [
      `ALTER TABLE units ADD COLUMN plate_photo_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
         ADD COLUMN plate_photo_job_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL, ADD INDEX of_photo (plate_photo_id)`,
    ],
    down: ['ALTER TABLE units DROP INDEX of_photo, DROP COLUMN plate_photo_job_id, DROP COLUMN plate_photo_id'],
  },
  {
    name: '2026-11-28-imports',
    // What came with an import can be taken back: sites know theirs, and of visits is kept what they were before.
    up: [
      `CREATE TABLE imports (id ${id} PRIMARY KEY, firm_id INT NOT NULL, kind VARCHAR(10) NOT NULL, made_at DATETIME(3) NOT NULL, made_by VARCHAR(120) NOT NULL,
        counts LONGTEXT NOT NULL, before_it LONGTEXT NULL, taken_back_at DATETIME(3) NULL, INDEX newest (firm_id, made_at, id)) ${table}`,
      'ALTER TABLE sites ADD COLUMN import_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL, ADD INDEX of_import (import_id)',
      'ALTER TABLE units ADD COLUMN import_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL',
    ],
    down: ['ALTER TABLE units DROP COLUMN import_id', 'ALTER TABLE sites DROP INDEX of_import, DROP COLUMN import_id', 'DROP TABLE imports'],
  },
  {
    name: '2026-11-27-calendars-that-are-fetched',
    up: [
      `CREATE TABLE calendars (id ${id} PRIMARY KEY, firm_id INT NOT NULL, user_id INT NOT NULL, person_id INT NULL, shows_contact BOOLEAN NOT NULL,
        secret_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, made_at DATETIME(3) NOT NULL, used_at DATETIME(3) NULL,
        UNIQUE (secret_hash), FOREIGN KEY (user_id) REFERENCES users (id), FOREIGN KEY (person_id) REFERENCES users (id), INDEX of_firm (firm_id, made_at)) ${table}`,
      'ALTER TABLE jobs ADD COLUMN changed_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)',
    ],
    down: ['ALTER TABLE jobs DROP COLUMN changed_at', 'DROP TABLE calendars'],
  },
  {
    name: '2026-11-27-runs-kept-event-by-event',
    up: [
      `CREATE TABLE unit_runs (job_id ${id}, unit_id ${id}, carried LONGTEXT NOT NULL, PRIMARY KEY (job_id, unit_id),
        FOREIGN KEY (job_id, unit_id) REFERENCES job_units (job_id, unit_id) ON DELETE CASCADE) ${table}`,
    ],
    down: ['DROP TABLE unit_runs'],
  },
  {
    name: '2026-11-27-jobs-of-a-site',
    // What is planned at a site, and who was there last, is read along the index: its past is not gone through.
    up: ['ALTER TABLE jobs ADD INDEX of_site (site_id, closed, on_date)'],
    down: ['ALTER TABLE jobs ADD INDEX site_id (site_id), DROP INDEX of_site'],
  },
  {
    name: '2026-11-28-language-of-a-person',
    up: ['ALTER TABLE users ADD COLUMN language VARCHAR(20) NULL'],
    down: ['ALTER TABLE users DROP COLUMN language'],
  },
  {
    name: '2026-11-28-a-firms-own-words',
    up: ["ALTER TABLE firms ADD COLUMN wording LONGTEXT NOT NULL DEFAULT '{}', ADD COLUMN wording_version INT NOT NULL DEFAULT 1"],
    down: ['ALTER TABLE firms DROP COLUMN wording_version, DROP COLUMN wording'],
  },
  {
    name: '2026-11-30-passwords-asked-again-and-areas-of-tokens',
    // Who is signed in is asked for the password before anything leaves; tokens that are there reach what they reached.
    up: [
      'ALTER TABLE sessions ADD COLUMN confirmed_at DATETIME(3) NULL',
      "ALTER TABLE tokens ADD COLUMN areas VARCHAR(120) NOT NULL DEFAULT 'visits,sites,logbook,exports,office'",
    ],
    down: ['ALTER TABLE tokens DROP COLUMN areas', 'ALTER TABLE sessions DROP COLUMN confirmed_at'],
  },
  {
    name: '2026-12-01-pace-of-a-person',
    up: ['ALTER TABLE users ADD COLUMN pace_percent DOUBLE NULL'],
    down: ['ALTER TABLE users DROP COLUMN pace_percent'],
  },
]

/** All of them, in the order in which they run. */
export const migrationNames: readonly string[] = migrations.map(({ name }) => name)
