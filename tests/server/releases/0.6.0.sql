BEGIN TRANSACTION;
CREATE TABLE "auth_group" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "name" varchar(150) NOT NULL UNIQUE);
CREATE TABLE "auth_group_permissions" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "group_id" integer NOT NULL REFERENCES "auth_group" ("id") DEFERRABLE INITIALLY DEFERRED, "permission_id" integer NOT NULL REFERENCES "auth_permission" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "auth_permission" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "content_type_id" integer NOT NULL REFERENCES "django_content_type" ("id") DEFERRABLE INITIALLY DEFERRED, "codename" varchar(100) NOT NULL, "name" varchar(255) NOT NULL);
INSERT INTO "auth_permission" VALUES(1,1,'add_permission','Can add permission');
INSERT INTO "auth_permission" VALUES(2,1,'change_permission','Can change permission');
INSERT INTO "auth_permission" VALUES(3,1,'delete_permission','Can delete permission');
INSERT INTO "auth_permission" VALUES(4,1,'view_permission','Can view permission');
INSERT INTO "auth_permission" VALUES(5,2,'add_group','Can add group');
INSERT INTO "auth_permission" VALUES(6,2,'change_group','Can change group');
INSERT INTO "auth_permission" VALUES(7,2,'delete_group','Can delete group');
INSERT INTO "auth_permission" VALUES(8,2,'view_group','Can view group');
INSERT INTO "auth_permission" VALUES(9,3,'add_contenttype','Can add content type');
INSERT INTO "auth_permission" VALUES(10,3,'change_contenttype','Can change content type');
INSERT INTO "auth_permission" VALUES(11,3,'delete_contenttype','Can delete content type');
INSERT INTO "auth_permission" VALUES(12,3,'view_contenttype','Can view content type');
INSERT INTO "auth_permission" VALUES(13,4,'add_session','Can add session');
INSERT INTO "auth_permission" VALUES(14,4,'change_session','Can change session');
INSERT INTO "auth_permission" VALUES(15,4,'delete_session','Can delete session');
INSERT INTO "auth_permission" VALUES(16,4,'view_session','Can view session');
INSERT INTO "auth_permission" VALUES(17,5,'add_accessattempt','Can add access attempt');
INSERT INTO "auth_permission" VALUES(18,5,'change_accessattempt','Can change access attempt');
INSERT INTO "auth_permission" VALUES(19,5,'delete_accessattempt','Can delete access attempt');
INSERT INTO "auth_permission" VALUES(20,5,'view_accessattempt','Can view access attempt');
INSERT INTO "auth_permission" VALUES(21,6,'add_accesslog','Can add access log');
INSERT INTO "auth_permission" VALUES(22,6,'change_accesslog','Can change access log');
INSERT INTO "auth_permission" VALUES(23,6,'delete_accesslog','Can delete access log');
INSERT INTO "auth_permission" VALUES(24,6,'view_accesslog','Can view access log');
INSERT INTO "auth_permission" VALUES(25,7,'add_accessfailurelog','Can add access failure');
INSERT INTO "auth_permission" VALUES(26,7,'change_accessfailurelog','Can change access failure');
INSERT INTO "auth_permission" VALUES(27,7,'delete_accessfailurelog','Can delete access failure');
INSERT INTO "auth_permission" VALUES(28,7,'view_accessfailurelog','Can view access failure');
INSERT INTO "auth_permission" VALUES(29,8,'add_accessattemptexpiration','Can add access attempt expiration');
INSERT INTO "auth_permission" VALUES(30,8,'change_accessattemptexpiration','Can change access attempt expiration');
INSERT INTO "auth_permission" VALUES(31,8,'delete_accessattemptexpiration','Can delete access attempt expiration');
INSERT INTO "auth_permission" VALUES(32,8,'view_accessattemptexpiration','Can view access attempt expiration');
INSERT INTO "auth_permission" VALUES(33,9,'add_household','Can add household');
INSERT INTO "auth_permission" VALUES(34,9,'change_household','Can change household');
INSERT INTO "auth_permission" VALUES(35,9,'delete_household','Can delete household');
INSERT INTO "auth_permission" VALUES(36,9,'view_household','Can view household');
INSERT INTO "auth_permission" VALUES(37,10,'add_user','Can add user');
INSERT INTO "auth_permission" VALUES(38,10,'change_user','Can change user');
INSERT INTO "auth_permission" VALUES(39,10,'delete_user','Can delete user');
INSERT INTO "auth_permission" VALUES(40,10,'view_user','Can view user');
INSERT INTO "auth_permission" VALUES(41,11,'add_invite','Can add invite');
INSERT INTO "auth_permission" VALUES(42,11,'change_invite','Can change invite');
INSERT INTO "auth_permission" VALUES(43,11,'delete_invite','Can delete invite');
INSERT INTO "auth_permission" VALUES(44,11,'view_invite','Can view invite');
INSERT INTO "auth_permission" VALUES(45,12,'add_device','Can add device');
INSERT INTO "auth_permission" VALUES(46,12,'change_device','Can change device');
INSERT INTO "auth_permission" VALUES(47,12,'delete_device','Can delete device');
INSERT INTO "auth_permission" VALUES(48,12,'view_device','Can view device');
INSERT INTO "auth_permission" VALUES(49,13,'add_kitchen','Can add kitchen');
INSERT INTO "auth_permission" VALUES(50,13,'change_kitchen','Can change kitchen');
INSERT INTO "auth_permission" VALUES(51,13,'delete_kitchen','Can delete kitchen');
INSERT INTO "auth_permission" VALUES(52,13,'view_kitchen','Can view kitchen');
INSERT INTO "auth_permission" VALUES(53,14,'add_pot','Can add pot');
INSERT INTO "auth_permission" VALUES(54,14,'change_pot','Can change pot');
INSERT INTO "auth_permission" VALUES(55,14,'delete_pot','Can delete pot');
INSERT INTO "auth_permission" VALUES(56,14,'view_pot','Can view pot');
INSERT INTO "auth_permission" VALUES(57,15,'add_recipe','Can add recipe');
INSERT INTO "auth_permission" VALUES(58,15,'change_recipe','Can change recipe');
INSERT INTO "auth_permission" VALUES(59,15,'delete_recipe','Can delete recipe');
INSERT INTO "auth_permission" VALUES(60,15,'view_recipe','Can view recipe');
INSERT INTO "auth_permission" VALUES(61,16,'add_shift','Can add shift');
INSERT INTO "auth_permission" VALUES(62,16,'change_shift','Can change shift');
INSERT INTO "auth_permission" VALUES(63,16,'delete_shift','Can delete shift');
INSERT INTO "auth_permission" VALUES(64,16,'view_shift','Can view shift');
INSERT INTO "auth_permission" VALUES(65,17,'add_cooking','Can add cooking');
INSERT INTO "auth_permission" VALUES(66,17,'change_cooking','Can change cooking');
INSERT INTO "auth_permission" VALUES(67,17,'delete_cooking','Can delete cooking');
INSERT INTO "auth_permission" VALUES(68,17,'view_cooking','Can view cooking');
INSERT INTO "auth_permission" VALUES(69,18,'add_event','Can add event');
INSERT INTO "auth_permission" VALUES(70,18,'change_event','Can change event');
INSERT INTO "auth_permission" VALUES(71,18,'delete_event','Can delete event');
INSERT INTO "auth_permission" VALUES(72,18,'view_event','Can view event');
INSERT INTO "auth_permission" VALUES(73,19,'add_left','Can add left');
INSERT INTO "auth_permission" VALUES(74,19,'change_left','Can change left');
INSERT INTO "auth_permission" VALUES(75,19,'delete_left','Can delete left');
INSERT INTO "auth_permission" VALUES(76,19,'view_left','Can view left');
INSERT INTO "auth_permission" VALUES(77,20,'add_bag','Can add bag');
INSERT INTO "auth_permission" VALUES(78,20,'change_bag','Can change bag');
INSERT INTO "auth_permission" VALUES(79,20,'delete_bag','Can delete bag');
INSERT INTO "auth_permission" VALUES(80,20,'view_bag','Can view bag');
INSERT INTO "auth_permission" VALUES(81,21,'add_entry','Can add entry');
INSERT INTO "auth_permission" VALUES(82,21,'change_entry','Can change entry');
INSERT INTO "auth_permission" VALUES(83,21,'delete_entry','Can delete entry');
INSERT INTO "auth_permission" VALUES(84,21,'view_entry','Can view entry');
INSERT INTO "auth_permission" VALUES(85,22,'add_photo','Can add photo');
INSERT INTO "auth_permission" VALUES(86,22,'change_photo','Can change photo');
INSERT INTO "auth_permission" VALUES(87,22,'delete_photo','Can delete photo');
INSERT INTO "auth_permission" VALUES(88,22,'view_photo','Can view photo');
INSERT INTO "auth_permission" VALUES(89,23,'add_try','Can add try');
INSERT INTO "auth_permission" VALUES(90,23,'change_try','Can change try');
INSERT INTO "auth_permission" VALUES(91,23,'delete_try','Can delete try');
INSERT INTO "auth_permission" VALUES(92,23,'view_try','Can view try');
INSERT INTO "auth_permission" VALUES(93,24,'add_decision','Can add decision');
INSERT INTO "auth_permission" VALUES(94,24,'change_decision','Can change decision');
INSERT INTO "auth_permission" VALUES(95,24,'delete_decision','Can delete decision');
INSERT INTO "auth_permission" VALUES(96,24,'view_decision','Can view decision');
INSERT INTO "auth_permission" VALUES(97,25,'add_pace','Can add pace');
INSERT INTO "auth_permission" VALUES(98,25,'change_pace','Can change pace');
INSERT INTO "auth_permission" VALUES(99,25,'delete_pace','Can delete pace');
INSERT INTO "auth_permission" VALUES(100,25,'view_pace','Can view pace');
INSERT INTO "auth_permission" VALUES(101,26,'add_meal','Can add meal');
INSERT INTO "auth_permission" VALUES(102,26,'change_meal','Can change meal');
INSERT INTO "auth_permission" VALUES(103,26,'delete_meal','Can delete meal');
INSERT INTO "auth_permission" VALUES(104,26,'view_meal','Can view meal');
CREATE TABLE "axes_accessattempt" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "user_agent" varchar(255) NOT NULL, "ip_address" char(39) NULL, "username" varchar(255) NULL, "http_accept" varchar(1025) NOT NULL, "path_info" varchar(255) NOT NULL, "attempt_time" datetime NOT NULL, "get_data" text NOT NULL, "post_data" text NOT NULL, "failures_since_start" integer unsigned NOT NULL CHECK ("failures_since_start" >= 0));
CREATE TABLE "axes_accessattemptexpiration" ("access_attempt_id" integer NOT NULL PRIMARY KEY REFERENCES "axes_accessattempt" ("id") DEFERRABLE INITIALLY DEFERRED, "expires_at" datetime NOT NULL);
CREATE TABLE "axes_accessfailurelog" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "user_agent" varchar(255) NOT NULL, "ip_address" char(39) NULL, "username" varchar(255) NULL, "http_accept" varchar(1025) NOT NULL, "path_info" varchar(255) NOT NULL, "attempt_time" datetime NOT NULL, "locked_out" bool NOT NULL);
CREATE TABLE "axes_accesslog" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "user_agent" varchar(255) NOT NULL, "ip_address" char(39) NULL, "username" varchar(255) NULL, "http_accept" varchar(1025) NOT NULL, "path_info" varchar(255) NOT NULL, "attempt_time" datetime NOT NULL, "logout_time" datetime NULL, "session_hash" varchar(64) NOT NULL);
CREATE TABLE "django_content_type" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "app_label" varchar(100) NOT NULL, "model" varchar(100) NOT NULL);
INSERT INTO "django_content_type" VALUES(1,'auth','permission');
INSERT INTO "django_content_type" VALUES(2,'auth','group');
INSERT INTO "django_content_type" VALUES(3,'contenttypes','contenttype');
INSERT INTO "django_content_type" VALUES(4,'sessions','session');
INSERT INTO "django_content_type" VALUES(5,'axes','accessattempt');
INSERT INTO "django_content_type" VALUES(6,'axes','accesslog');
INSERT INTO "django_content_type" VALUES(7,'axes','accessfailurelog');
INSERT INTO "django_content_type" VALUES(8,'axes','accessattemptexpiration');
INSERT INTO "django_content_type" VALUES(9,'households','household');
INSERT INTO "django_content_type" VALUES(10,'households','user');
INSERT INTO "django_content_type" VALUES(11,'households','invite');
INSERT INTO "django_content_type" VALUES(12,'kitchen','device');
INSERT INTO "django_content_type" VALUES(13,'kitchen','kitchen');
INSERT INTO "django_content_type" VALUES(14,'kitchen','pot');
INSERT INTO "django_content_type" VALUES(15,'recipes','recipe');
INSERT INTO "django_content_type" VALUES(16,'recipes','shift');
INSERT INTO "django_content_type" VALUES(17,'plans','cooking');
INSERT INTO "django_content_type" VALUES(18,'plans','event');
INSERT INTO "django_content_type" VALUES(19,'larder','left');
INSERT INTO "django_content_type" VALUES(20,'larder','bag');
INSERT INTO "django_content_type" VALUES(21,'notebook','entry');
INSERT INTO "django_content_type" VALUES(22,'notebook','photo');
INSERT INTO "django_content_type" VALUES(23,'notebook','try');
INSERT INTO "django_content_type" VALUES(24,'notebook','decision');
INSERT INTO "django_content_type" VALUES(25,'week','pace');
INSERT INTO "django_content_type" VALUES(26,'week','meal');
CREATE TABLE "django_migrations" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "app" varchar(255) NOT NULL, "name" varchar(255) NOT NULL, "applied" datetime NOT NULL);
INSERT INTO "django_migrations" VALUES(1,'contenttypes','0001_initial','2026-11-25 10:02:12.149389');
INSERT INTO "django_migrations" VALUES(2,'contenttypes','0002_remove_content_type_name','2026-11-25 10:02:12.155209');
INSERT INTO "django_migrations" VALUES(3,'auth','0001_initial','2026-11-25 10:02:12.165691');
INSERT INTO "django_migrations" VALUES(4,'auth','0002_alter_permission_name_max_length','2026-11-25 10:02:12.171377');
INSERT INTO "django_migrations" VALUES(5,'auth','0003_alter_user_email_max_length','2026-11-25 10:02:12.175881');
INSERT INTO "django_migrations" VALUES(6,'auth','0004_alter_user_username_opts','2026-11-25 10:02:12.180314');
INSERT INTO "django_migrations" VALUES(7,'auth','0005_alter_user_last_login_null','2026-11-25 10:02:12.186408');
INSERT INTO "django_migrations" VALUES(8,'auth','0006_require_contenttypes_0002','2026-11-25 10:02:12.187156');
INSERT INTO "django_migrations" VALUES(9,'auth','0007_alter_validators_add_error_messages','2026-11-25 10:02:12.191562');
INSERT INTO "django_migrations" VALUES(10,'auth','0008_alter_user_username_max_length','2026-11-25 10:02:12.196079');
INSERT INTO "django_migrations" VALUES(11,'auth','0009_alter_user_last_name_max_length','2026-11-25 10:02:12.200420');
INSERT INTO "django_migrations" VALUES(12,'auth','0010_alter_group_name_max_length','2026-11-25 10:02:12.205695');
INSERT INTO "django_migrations" VALUES(13,'auth','0011_update_proxy_permissions','2026-11-25 10:02:12.210124');
INSERT INTO "django_migrations" VALUES(14,'auth','0012_alter_user_first_name_max_length','2026-11-25 10:02:12.214453');
INSERT INTO "django_migrations" VALUES(15,'axes','0001_initial','2026-11-25 10:02:12.218098');
INSERT INTO "django_migrations" VALUES(16,'axes','0002_auto_20151217_2044','2026-11-25 10:02:12.250748');
INSERT INTO "django_migrations" VALUES(17,'axes','0003_auto_20160322_0929','2026-11-25 10:02:12.261106');
INSERT INTO "django_migrations" VALUES(18,'axes','0004_auto_20181024_1538','2026-11-25 10:02:12.271102');
INSERT INTO "django_migrations" VALUES(19,'axes','0005_remove_accessattempt_trusted','2026-11-25 10:02:12.275644');
INSERT INTO "django_migrations" VALUES(20,'axes','0006_remove_accesslog_trusted','2026-11-25 10:02:12.280090');
INSERT INTO "django_migrations" VALUES(21,'axes','0007_alter_accessattempt_unique_together','2026-11-25 10:02:12.293126');
INSERT INTO "django_migrations" VALUES(22,'axes','0008_accessfailurelog','2026-11-25 10:02:12.295924');
INSERT INTO "django_migrations" VALUES(23,'axes','0009_add_session_hash','2026-11-25 10:02:12.301495');
INSERT INTO "django_migrations" VALUES(24,'axes','0010_accessattemptexpiration','2026-11-25 10:02:12.304487');
INSERT INTO "django_migrations" VALUES(25,'households','0001_initial','2026-11-25 10:02:12.315328');
INSERT INTO "django_migrations" VALUES(26,'households','0002_household_fridge_days_invite','2026-11-25 10:02:12.329540');
INSERT INTO "django_migrations" VALUES(27,'kitchen','0001_initial','2026-11-25 10:02:12.356328');
INSERT INTO "django_migrations" VALUES(28,'larder','0001_initial','2026-11-25 10:02:12.383370');
INSERT INTO "django_migrations" VALUES(29,'plans','0001_initial','2026-11-25 10:02:12.469620');
INSERT INTO "django_migrations" VALUES(30,'notebook','0001_initial','2026-11-25 10:02:12.636653');
INSERT INTO "django_migrations" VALUES(31,'recipes','0001_initial','2026-11-25 10:02:12.733956');
INSERT INTO "django_migrations" VALUES(32,'sessions','0001_initial','2026-11-25 10:02:12.736610');
INSERT INTO "django_migrations" VALUES(33,'week','0001_initial','2026-11-25 10:02:12.783412');
CREATE TABLE "django_session" ("session_key" varchar(40) NOT NULL PRIMARY KEY, "session_data" text NOT NULL, "expire_date" datetime NOT NULL);
CREATE TABLE "households_household" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "name" varchar(80) NOT NULL, "time_zone" varchar(64) NOT NULL, "measure_name" varchar(20) NOT NULL, "measure_ml" real NOT NULL, "cup_ml" real NOT NULL, "created" datetime NOT NULL, "fridge_days" smallint unsigned NOT NULL CHECK ("fridge_days" >= 0));
INSERT INTO "households_household" VALUES(1,'Fennel Row, five at the table','UTC','glass',220.0,237.0,'2026-11-25 10:02:15.510518',1);
CREATE TABLE "households_invite" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "token_digest" varchar(64) NOT NULL UNIQUE, "until" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "households_user" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "password" varchar(128) NOT NULL, "last_login" datetime NULL, "is_superuser" bool NOT NULL, "username" varchar(150) NOT NULL UNIQUE, "first_name" varchar(150) NOT NULL, "last_name" varchar(150) NOT NULL, "email" varchar(254) NOT NULL, "is_staff" bool NOT NULL, "is_active" bool NOT NULL, "date_joined" datetime NOT NULL, "household_id" bigint NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "households_user" VALUES(1,'!N9OHbvCNhGqQBPEvohSNDZhMoPUC6nOJfBwbXKTi',NULL,0,'fennel','','','',0,1,'2026-11-25 10:02:15.512350',1);
CREATE TABLE "households_user_groups" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "user_id" bigint NOT NULL REFERENCES "households_user" ("id") DEFERRABLE INITIALLY DEFERRED, "group_id" integer NOT NULL REFERENCES "auth_group" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "households_user_user_permissions" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "user_id" bigint NOT NULL REFERENCES "households_user" ("id") DEFERRABLE INITIALLY DEFERRED, "permission_id" integer NOT NULL REFERENCES "auth_permission" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "kitchen_device" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "name" varchar(40) NOT NULL, "kind" varchar(10) NOT NULL, "key_digest" varchar(64) NOT NULL UNIQUE, "created" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "kitchen_kitchen" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "burners" text NOT NULL CHECK ((JSON_VALID("burners") OR "burners" IS NULL)), "oven_places" smallint unsigned NOT NULL CHECK ("oven_places" >= 0), "rice_cooker" bool NOT NULL, "pressure_cooker" bool NOT NULL, "electric_pressure" bool NOT NULL, "microwave_w" real NULL, "whistle_min" real NOT NULL, "altitude_m" real NOT NULL, "room_c" real NOT NULL, "jar_ml" real NOT NULL, "household_id" bigint NOT NULL UNIQUE REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "kitchen_pot" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "name" varchar(40) NOT NULL, "diameter_cm" real NOT NULL, "litres" real NULL, "lid" varchar(10) NOT NULL, "boil_off" real NOT NULL, "test" text NULL CHECK ((JSON_VALID("test") OR "test" IS NULL)), "created" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "larder_bag" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "grain" varchar(40) NOT NULL, "name" varchar(80) NOT NULL, "kind" varchar(12) NOT NULL, "grams" real NOT NULL, "full_g" real NOT NULL, "best_before" date NULL, "opened" date NULL, "label_ratio" real NULL, "label_min" real NULL, "created" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "larder_bag" VALUES(1,'foxtail-millet','foxtail millet','polished',1000.0,1000.0,'2027-08-31',NULL,NULL,NULL,'2026-11-25 10:02:15.630748',1);
CREATE TABLE "larder_left" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "name" varchar(240) NOT NULL, "grain" varchar(40) NOT NULL, "portions" smallint unsigned NOT NULL CHECK ("portions" >= 0), "served" datetime NOT NULL, "place" varchar(8) NOT NULL, "moved" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "larder_left" VALUES(1,'pilaf','foxtail-millet',2,'2026-11-25 10:02:15.707360','table','2026-11-25 10:02:15.707777',1);
CREATE TABLE "notebook_decision" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "kind" varchar(20) NOT NULL, "subject" varchar(60) NOT NULL, "held" real NULL, "refused" real NULL, "text" varchar(300) NOT NULL, "entries" text NOT NULL CHECK ((JSON_VALID("entries") OR "entries" IS NULL)), "decided" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED, CONSTRAINT "decision_once" UNIQUE ("household_id", "kind", "subject"));
INSERT INTO "notebook_decision" VALUES(1,'water_grain','foxtail-millet',0.06,NULL,'Foxtail millet takes 6 % more water; four pots say so.','["4", "3", "2", "1"]','2026-11-25 10:02:15.704893',1);
CREATE TABLE "notebook_entry" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "pot_key" varchar(300) NOT NULL, "on" date NOT NULL, "dish" varchar(240) NOT NULL, "grain" varchar(40) NOT NULL, "pot_name" varchar(60) NOT NULL, "predicted" text NOT NULL CHECK ((JSON_VALID("predicted") OR "predicted" IS NULL)), "poured_ml" real NULL, "top_ups_ml" real NOT NULL, "taken_min" real NULL, "wet" smallint NULL, "soft" smallint NULL, "word" varchar(120) NOT NULL, "stars" smallint unsigned NULL CHECK ("stars" >= 0), "note" text NOT NULL, "practice" bool NOT NULL, "counts" bool NOT NULL, "created" datetime NOT NULL, "bag_id" bigint NULL REFERENCES "larder_bag" ("id") DEFERRABLE INITIALLY DEFERRED, "by_id" bigint NULL REFERENCES "households_user" ("id") DEFERRABLE INITIALLY DEFERRED, "cooking_id" bigint NULL REFERENCES "plans_cooking" ("id") DEFERRABLE INITIALLY DEFERRED, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED, "pot_id" bigint NULL REFERENCES "kitchen_pot" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "notebook_entry" VALUES(1,'','2026-11-01','Tomato pilaf with chickpeas, in foxtail millet','foxtail-millet','20 cm','{"grain": "foxtail-millet", "name": "foxtail millet", "dry_ml": 385, "dry_g": 308, "method": "covered", "lid": "ordinary", "texture": "separate", "soak_min": 0.0, "pot_cm": 20.0, "pour_ml": 304, "low_ml": 244, "high_ml": 365, "cook_min": 14, "yield_g": 738, "tells_water": true, "figures": {"grain_ml": 430.77, "boil_ml": 53.53, "need_ml": 504.3, "taught_ml": 504.3, "cook_min": 14.2, "step_ml": 215.38, "step_log": 0.1081}, "factors": {"water": 1.0, "time": 1.0, "boil_off": 1.0, "liking": 0.0}}',304.0,0.0,14.0,-1,0,'dry',NULL,'',0,1,'2026-11-25 10:02:15.662017',1,1,NULL,1,NULL);
INSERT INTO "notebook_entry" VALUES(2,'','2026-11-02','Tomato pilaf with chickpeas, in foxtail millet','foxtail-millet','20 cm','{"grain": "foxtail-millet", "name": "foxtail millet", "dry_ml": 385, "dry_g": 308, "method": "covered", "lid": "ordinary", "texture": "separate", "soak_min": 0.0, "pot_cm": 20.0, "pour_ml": 304, "low_ml": 244, "high_ml": 365, "cook_min": 14, "yield_g": 738, "tells_water": true, "figures": {"grain_ml": 430.77, "boil_ml": 53.53, "need_ml": 504.3, "taught_ml": 504.3, "cook_min": 14.2, "step_ml": 215.38, "step_log": 0.1081}, "factors": {"water": 1.0, "time": 1.0, "boil_off": 1.0, "liking": 0.0}}',304.0,0.0,14.0,-1,0,'dry',NULL,'',0,1,'2026-11-25 10:02:15.672089',1,1,NULL,1,NULL);
INSERT INTO "notebook_entry" VALUES(3,'','2026-11-03','Tomato pilaf with chickpeas, in foxtail millet','foxtail-millet','20 cm','{"grain": "foxtail-millet", "name": "foxtail millet", "dry_ml": 385, "dry_g": 308, "method": "covered", "lid": "ordinary", "texture": "separate", "soak_min": 0.0, "pot_cm": 20.0, "pour_ml": 304, "low_ml": 244, "high_ml": 365, "cook_min": 14, "yield_g": 738, "tells_water": true, "figures": {"grain_ml": 430.77, "boil_ml": 53.53, "need_ml": 504.3, "taught_ml": 504.3, "cook_min": 14.2, "step_ml": 215.38, "step_log": 0.1081}, "factors": {"water": 1.0, "time": 1.0, "boil_off": 1.0, "liking": 0.0}}',304.0,0.0,14.0,-1,0,'dry',NULL,'',0,1,'2026-11-25 10:02:15.681615',1,1,NULL,1,NULL);
INSERT INTO "notebook_entry" VALUES(4,'','2026-11-04','Tomato pilaf with chickpeas, in foxtail millet','foxtail-millet','20 cm','{"grain": "foxtail-millet", "name": "foxtail millet", "dry_ml": 385, "dry_g": 308, "method": "covered", "lid": "ordinary", "texture": "separate", "soak_min": 0.0, "pot_cm": 20.0, "pour_ml": 304, "low_ml": 244, "high_ml": 365, "cook_min": 14, "yield_g": 738, "tells_water": true, "figures": {"grain_ml": 430.77, "boil_ml": 53.53, "need_ml": 504.3, "taught_ml": 504.3, "cook_min": 14.2, "step_ml": 215.38, "step_log": 0.1081}, "factors": {"water": 1.0, "time": 1.0, "boil_off": 1.0, "liking": 0.0}}',304.0,0.0,14.0,-1,0,'dry',NULL,'',0,1,'2026-11-25 10:02:15.691194',1,1,NULL,1,NULL);
CREATE TABLE "notebook_photo" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "jpeg" BLOB NOT NULL, "entry_id" bigint NOT NULL UNIQUE REFERENCES "notebook_entry" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "notebook_try" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "grain" varchar(40) NOT NULL, "water_off" real NOT NULL, "time_off" real NOT NULL, "created" datetime NOT NULL, "by_id" bigint NULL REFERENCES "households_user" ("id") DEFERRABLE INITIALLY DEFERRED, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "plans_cooking" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "client_id" varchar(64) NOT NULL, "title" varchar(400) NOT NULL, "began" datetime NOT NULL, "serve_at" datetime NOT NULL, "speed" smallint unsigned NOT NULL CHECK ("speed" >= 0), "alone" bool NOT NULL, "script" text NOT NULL CHECK ((JSON_VALID("script") OR "script" IS NULL)), "dishes" text NOT NULL CHECK ((JSON_VALID("dishes") OR "dishes" IS NULL)), "ended" datetime NULL, "by_id" bigint NULL REFERENCES "households_user" ("id") DEFERRABLE INITIALLY DEFERRED, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED, CONSTRAINT "cooking_once" UNIQUE ("household_id", "client_id"));
CREATE TABLE "plans_event" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "client_id" varchar(160) NOT NULL, "kind" varchar(12) NOT NULL, "minute" real NOT NULL, "data" text NOT NULL CHECK ((JSON_VALID("data") OR "data" IS NULL)), "received" datetime NOT NULL, "by_id" bigint NULL REFERENCES "households_user" ("id") DEFERRABLE INITIALLY DEFERRED, "cooking_id" bigint NOT NULL REFERENCES "plans_cooking" ("id") DEFERRABLE INITIALLY DEFERRED, CONSTRAINT "event_once" UNIQUE ("cooking_id", "client_id"));
CREATE TABLE "recipes_recipe" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "title" varchar(200) NOT NULL, "text" text NOT NULL, "corrections" text NOT NULL CHECK ((JSON_VALID("corrections") OR "corrections" IS NULL)), "version" integer unsigned NOT NULL CHECK ("version" >= 0), "created" datetime NOT NULL, "updated" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "recipes_recipe" VALUES(1,'Tomato pilaf with chickpeas','Tomato pilaf with chickpeas
Serves 5

Ingredients
300 g long-grain white rice, rinsed
1 tin chopped tomatoes (400 g)
300 ml vegetable stock
1 tin (400 g) chickpeas, drained
1 onion, chopped
2 tbsp olive oil
2 bay leaves
1 tsp salt
1 small bunch parsley

Method
1. Soften the onion in the oil with the bay leaves for 8 minutes. Stir in the rice for 2 minutes.
2. Add the tomatoes, stock and salt, bring to the boil, cover and simmer on the lowest heat for 16 minutes. The chickpeas go in for the last 5 minutes.
3. Stand 10 minutes, lid on. Fork through the parsley.','[]',1,'2026-11-25 10:02:15.625489','2026-11-25 10:02:15.625531',1);
CREATE TABLE "recipes_shift" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "title" varchar(240) NOT NULL, "grain" varchar(40) NOT NULL, "text" text NOT NULL, "corrections" text NOT NULL CHECK ((JSON_VALID("corrections") OR "corrections" IS NULL)), "choice" text NOT NULL CHECK ((JSON_VALID("choice") OR "choice" IS NULL)), "factors" text NOT NULL CHECK ((JSON_VALID("factors") OR "factors" IS NULL)), "engine" varchar(20) NOT NULL, "result" text NOT NULL CHECK ((JSON_VALID("result") OR "result" IS NULL)), "created" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED, "recipe_id" bigint NULL REFERENCES "recipes_recipe" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "recipes_shift" VALUES(1,'Tomato pilaf with chickpeas, in foxtail millet','foxtail-millet','Tomato pilaf with chickpeas
Serves 5

Ingredients
300 g long-grain white rice, rinsed
1 tin chopped tomatoes (400 g)
300 ml vegetable stock
1 tin (400 g) chickpeas, drained
1 onion, chopped
2 tbsp olive oil
2 bay leaves
1 tsp salt
1 small bunch parsley

Method
1. Soften the onion in the oil with the bay leaves for 8 minutes. Stir in the rice for 2 minutes.
2. Add the tomatoes, stock and salt, bring to the boil, cover and simmer on the lowest heat for 16 minutes. The chickpeas go in for the last 5 minutes.
3. Stand 10 minutes, lid on. Fork through the parsley.','[]','{"to": "foxtail-millet", "pot_id": null, "bag_id": 1, "pot_cm": 20.0, "pot_l": null, "pot_lid": "ordinary", "boil_off": 1.0, "burner_w": 1200.0, "watts": 800.0, "altitude_m": 0.0, "room_c": 20.0, "whistle_min": 2.5, "jar_ml": 400.0, "factors": {"water": 1.0, "time": 1.0, "boil_off": 1.0, "liking": 0.0}}','{"water": 1.0, "time": 1.0, "boil_off": 1.0, "liking": 0.0}','0.6.0','{"schema": 1, "engine": "0.6.0", "title": "Tomato pilaf with chickpeas, in foxtail millet", "title_marks": [[27, 46]], "servings": 5.0, "from": {"grain": "rice-white-long", "name": "long-grain white rice", "dry_ml": 385, "dry_g": 300, "cook_min": 16.0, "water_ml": 517, "was_title": "Tomato pilaf with chickpeas"}, "pots": [{"schema": 1, "grain": "foxtail-millet", "dry": {"ml": 385, "g": 308}, "method": "covered", "texture": "separate", "texture_at": 0.0, "texture_word": "separate", "lid": "ordinary", "water": {"pour_ml": 304, "reserve_ml": 61, "low_ml": 244, "high_ml": 365, "ratio_by_volume": 0.79, "depth_above_cm": 0.5, "pour_said": {"amount": 1.5, "unit": "glass"}}, "soak": {"min": 0, "uptake_ml": 0}, "roast": {"kind": "fat", "min": 3, "why": "a dry-roast seals the surface, so the small grains stay apart"}, "time": {"come_up_min": 3, "cook": {"low": 11, "typical": 14, "high": 17}, "release_min": 0, "rest_min": 10, "total_min": 27}, "yield": {"ml": 1136, "g": 738}, "done_when": "No water when you tilt the pot; the yellow grain has opened and is soft through, no white dot.", "ledger": [{"term": "grain", "ml": 431, "because": "308 g of foxtail millet drink 1.40 times their weight to come out separate"}, {"term": "boil_off", "ml": 53, "because": "boils off under this lid"}, {"term": "come_up", "ml": 20, "because": "lost on the way to the boil"}, {"term": "brought", "ml": -223, "because": "already there, from the chopped tomatoes"}, {"term": "recipe_habit", "ml": 17, "because": "the recipe''s habit: it pours more than its own grain needs"}, {"term": "stock_solids", "ml": 6, "because": "stock is not all water"}], "time_ledger": [{"term": "come_up", "min": 3, "because": "to the boil on 1,200 W"}, {"term": "simmer", "min": 14, "because": "foxtail millet, unsoaked, to fluffy under a lid"}, {"term": "texture", "min": -1, "because": "to come out separate"}, {"term": "recipe_habit", "min": 1, "because": "the recipe''s habit: it cooks its own grain longer than usual"}, {"term": "rest", "min": 10, "because": "lid closed, off the heat: the last water moves into the middle of each grain"}], "basis": "practice", "after": {"spread_to_60_min": 16, "spread_cool_min": 108, "pot_to_60_min": 19, "pot_cool_min": 133, "cold_texture": "separate", "drinks_on_ml": 108}, "stages": [{"what": "to the boil", "min": 3}, {"what": "lowest heat, lid on", "min": 14}, {"what": "off the heat, lid closed", "min": 10}], "cautions": [{"code": "steam", "text": "Steam burns: open the lid away from you, with dry cloths.", "because": "a lid comes off a boiling pot"}, {"code": "clinician_millet", "text": "No health promises here: if you have a thyroid condition, diabetes or eat by a plan, ask your clinician before eating millets often.", "because": "of the grain"}, {"code": "cooling", "text": "Cooked grain kept warm and damp grows bacteria whose toxin reheating does not undo. Keep it above 60 \u00b0C or cool it shallow and get it into the fridge (5 \u00b0C or colder) within 1 hour, 2 at the most. Eat it within 1 day by the stricter rule; some authorities allow up to 4: follow your local one. Reheat once only, steaming hot throughout (74 \u00b0C).", "because": "there may be some left over"}], "problems": [], "name": "foxtail millet", "short": "millet"}], "blend": {"kind": "single", "because": ""}, "ingredients": [{"text": "308 g foxtail millet, rinsed", "was": "300 g long-grain white rice, rinsed", "role": "source_grain", "marks": [[0, 5], [6, 20]], "olds": ["300 g", "long-grain white rice"], "because": "the same volume of another grain weighs otherwise"}, {"text": "1 tin chopped tomatoes (400 g)", "was": "1 tin chopped tomatoes (400 g)", "role": "pot_liquid", "marks": [], "olds": [], "because": ""}, {"text": "305 ml vegetable stock", "was": "300 ml vegetable stock", "role": "pot_liquid", "marks": [[0, 6]], "olds": ["300 ml"], "because": "this is what the grain drinks and the pot loses"}, {"text": "1 tin (400 g) chickpeas, drained", "was": "1 tin (400 g) chickpeas, drained", "role": "timed", "marks": [], "olds": [], "because": ""}, {"text": "1 onion, chopped", "was": "1 onion, chopped", "role": "beside", "marks": [], "olds": [], "because": ""}, {"text": "2 tbsp olive oil", "was": "2 tbsp olive oil", "role": "fat", "marks": [], "olds": [], "because": ""}, {"text": "2 bay leaves", "was": "2 bay leaves", "role": "beside", "marks": [], "olds": [], "because": ""}, {"text": "1 tsp salt", "was": "1 tsp salt", "role": "salt", "marks": [], "olds": [], "because": ""}, {"text": "1 small bunch parsley", "was": "1 small bunch parsley", "role": "after", "marks": [], "olds": [], "because": ""}], "steps": [{"text": "Soften the onion in the oil with the bay leaves for 8 minutes. Stir in the millet for 2 minutes.", "was": "Soften the onion in the oil with the bay leaves for 8 minutes. Stir in the rice for 2 minutes.", "reason": "", "marks": [[75, 81]], "olds": ["rice"], "kind": ""}, {"text": "Add the tomatoes, stock and salt, bring to the boil, cover and simmer on the lowest heat for 14 minutes. The chickpeas go in for the last 5 minutes.", "was": "Add the tomatoes, stock and salt, bring to the boil, cover and simmer on the lowest heat for 16 minutes. The chickpeas go in for the last 5 minutes.", "reason": "Foxtail millet takes about 14 minutes here.", "marks": [[93, 103]], "olds": ["16 minutes"], "kind": ""}, {"text": "Look: no water when you tilt the pot; the yellow grain has opened and is soft through, no white dot. Not yet? Add 30 ml of boiling water and give it 2 more minutes.", "was": null, "reason": "Minutes are a guide; the sign decides.", "marks": [[0, 164]], "olds": [], "kind": "look"}, {"text": "Stand 10 minutes, lid on. Fork through the parsley.", "was": "Stand 10 minutes, lid on. Fork through the parsley.", "reason": "", "marks": [], "olds": [], "kind": ""}], "changes": [{"what": "ingredient", "was": "300 g long-grain white rice, rinsed", "now": "308 g foxtail millet, rinsed", "because": "the same volume of another grain weighs otherwise"}, {"what": "ingredient", "was": "300 ml vegetable stock", "now": "305 ml vegetable stock", "because": "this is what the grain drinks and the pot loses"}, {"what": "minutes", "was": "16 min", "now": "14 min", "because": "foxtail millet, unsoaked, to fluffy under a lid"}], "check": [], "problems": [], "cautions": [{"code": "gluten_certified", "text": "Cooking gluten-free for someone with coeliac disease? Foxtail millet is only safe if the packet is certified gluten-free. Stock cubes, soya sauce and asafoetida powder often hide wheat.", "because": "this grain is often milled beside wheat"}, {"code": "steam", "text": "Steam burns: open the lid away from you, with dry cloths.", "because": "a lid comes off a boiling pot"}, {"code": "clinician_millet", "text": "No health promises here: if you have a thyroid condition, diabetes or eat by a plan, ask your clinician before eating millets often.", "because": "of the grain"}, {"code": "count_out", "text": "Count these in and count them out before serving: 2 bay leaves. Whole spices and nuts are a choking risk for small children.", "because": "whole things are in the pot"}, {"code": "cooling", "text": "Cooked grain kept warm and damp grows bacteria whose toxin reheating does not undo. Keep it above 60 \u00b0C or cool it shallow and get it into the fridge (5 \u00b0C or colder) within 1 hour, 2 at the most. Eat it within 1 day by the stricter rule; some authorities allow up to 4: follow your local one. Reheat once only, steaming hot throughout (74 \u00b0C).", "because": "there may be some left over"}], "count_out": ["2 bay leaves"], "strip": [{"what": "pan first", "min": 10, "kind": "before", "at": []}, {"what": "to the boil", "min": 3, "kind": "come_up", "at": []}, {"what": "simmer", "min": 14, "kind": "cook", "at": [{"what": "chickpeas", "minute": 9}]}, {"what": "rest", "min": 10, "kind": "rest", "at": []}]}','2026-11-25 10:02:15.651837',1,1);
CREATE TABLE "week_meal" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "on" date NOT NULL, "choice" text NULL CHECK ((JSON_VALID("choice") OR "choice" IS NULL)), "reason" varchar(400) NOT NULL, "minutes" smallint unsigned NULL CHECK ("minutes" >= 0), "double" bool NOT NULL, "cook_id" bigint NULL REFERENCES "households_user" ("id") DEFERRABLE INITIALLY DEFERRED, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED, "recipe_id" bigint NOT NULL REFERENCES "recipes_recipe" ("id") DEFERRABLE INITIALLY DEFERRED, "shift_id" bigint NULL REFERENCES "recipes_shift" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "week_meal" VALUES(1,'2026-11-24',NULL,'',NULL,0,NULL,1,1,NULL);
CREATE TABLE "week_pace" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "per_week" smallint unsigned NOT NULL CHECK ("per_week" >= 0), "grows" bool NOT NULL, "since" date NOT NULL, "household_id" bigint NOT NULL UNIQUE REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE UNIQUE INDEX "django_content_type_app_label_model_76bd3d3b_uniq" ON "django_content_type" ("app_label", "model");
CREATE UNIQUE INDEX "auth_group_permissions_group_id_permission_id_0cd325b0_uniq" ON "auth_group_permissions" ("group_id", "permission_id");
CREATE INDEX "auth_group_permissions_group_id_b120cbf9" ON "auth_group_permissions" ("group_id");
CREATE INDEX "auth_group_permissions_permission_id_84c5c92e" ON "auth_group_permissions" ("permission_id");
CREATE UNIQUE INDEX "auth_permission_content_type_id_codename_01ab375a_uniq" ON "auth_permission" ("content_type_id", "codename");
CREATE INDEX "auth_permission_content_type_id_2f476e4b" ON "auth_permission" ("content_type_id");
CREATE INDEX "axes_accessattempt_user_agent_ad89678b" ON "axes_accessattempt" ("user_agent");
CREATE INDEX "axes_accessattempt_ip_address_10922d9c" ON "axes_accessattempt" ("ip_address");
CREATE INDEX "axes_accessattempt_username_3f2d4ca0" ON "axes_accessattempt" ("username");
CREATE UNIQUE INDEX "axes_accessattempt_username_ip_address_user_agent_8ea22282_uniq" ON "axes_accessattempt" ("username", "ip_address", "user_agent");
CREATE INDEX "axes_accessfailurelog_user_agent_ea145dda" ON "axes_accessfailurelog" ("user_agent");
CREATE INDEX "axes_accessfailurelog_ip_address_2e9f5a7f" ON "axes_accessfailurelog" ("ip_address");
CREATE INDEX "axes_accessfailurelog_username_a8b7e8a4" ON "axes_accessfailurelog" ("username");
CREATE INDEX "axes_accesslog_user_agent_0e659004" ON "axes_accesslog" ("user_agent");
CREATE INDEX "axes_accesslog_ip_address_86b417e5" ON "axes_accesslog" ("ip_address");
CREATE INDEX "axes_accesslog_username_df93064b" ON "axes_accesslog" ("username");
CREATE INDEX "households_user_household_id_59caa705" ON "households_user" ("household_id");
CREATE UNIQUE INDEX "households_user_groups_user_id_group_id_1f26825e_uniq" ON "households_user_groups" ("user_id", "group_id");
CREATE INDEX "households_user_groups_user_id_02d12399" ON "households_user_groups" ("user_id");
CREATE INDEX "households_user_groups_group_id_73aaa55a" ON "households_user_groups" ("group_id");
CREATE UNIQUE INDEX "households_user_user_permissions_user_id_permission_id_a4718e5c_uniq" ON "households_user_user_permissions" ("user_id", "permission_id");
CREATE INDEX "households_user_user_permissions_user_id_55df271a" ON "households_user_user_permissions" ("user_id");
CREATE INDEX "households_user_user_permissions_permission_id_e69c39ed" ON "households_user_user_permissions" ("permission_id");
CREATE INDEX "households_invite_household_id_525367d0" ON "households_invite" ("household_id");
CREATE INDEX "kitchen_device_household_id_8f4a73b4" ON "kitchen_device" ("household_id");
CREATE INDEX "kitchen_pot_household_id_dd085b76" ON "kitchen_pot" ("household_id");
CREATE INDEX "larder_left_household_id_9ad4b7f0" ON "larder_left" ("household_id");
CREATE INDEX "larder_bag_household_id_5edff867" ON "larder_bag" ("household_id");
CREATE INDEX "bag_by_grain" ON "larder_bag" ("household_id", "grain");
CREATE INDEX "plans_cooking_by_id_59b0e7d2" ON "plans_cooking" ("by_id");
CREATE INDEX "plans_cooking_household_id_391dd257" ON "plans_cooking" ("household_id");
CREATE INDEX "cooking_by_household" ON "plans_cooking" ("household_id", "began" DESC);
CREATE INDEX "plans_event_by_id_e036e1b3" ON "plans_event" ("by_id");
CREATE INDEX "plans_event_cooking_id_c70cb12d" ON "plans_event" ("cooking_id");
CREATE INDEX "entry_by_household" ON "notebook_entry" ("household_id", "on" DESC, "id" DESC);
CREATE UNIQUE INDEX "entry_once" ON "notebook_entry" ("cooking_id", "pot_key") WHERE "cooking_id" IS NOT NULL;
CREATE INDEX "notebook_entry_bag_id_abe52bad" ON "notebook_entry" ("bag_id");
CREATE INDEX "notebook_entry_by_id_a3cc0c43" ON "notebook_entry" ("by_id");
CREATE INDEX "notebook_entry_cooking_id_d8e5a806" ON "notebook_entry" ("cooking_id");
CREATE INDEX "notebook_entry_household_id_e73cde82" ON "notebook_entry" ("household_id");
CREATE INDEX "notebook_entry_pot_id_ccbb7a12" ON "notebook_entry" ("pot_id");
CREATE INDEX "notebook_try_by_id_62b5074e" ON "notebook_try" ("by_id");
CREATE INDEX "notebook_try_household_id_21e3f3ae" ON "notebook_try" ("household_id");
CREATE INDEX "notebook_decision_household_id_7b908f23" ON "notebook_decision" ("household_id");
CREATE INDEX "recipe_by_household" ON "recipes_recipe" ("household_id", "updated" DESC);
CREATE INDEX "shift_by_household" ON "recipes_shift" ("household_id", "created" DESC);
CREATE INDEX "recipes_recipe_household_id_631f816a" ON "recipes_recipe" ("household_id");
CREATE INDEX "recipes_shift_household_id_1cb4cd49" ON "recipes_shift" ("household_id");
CREATE INDEX "recipes_shift_recipe_id_f96269be" ON "recipes_shift" ("recipe_id");
CREATE INDEX "django_session_expire_date_a5c62663" ON "django_session" ("expire_date");
CREATE INDEX "week_meal_cook_id_61e6132b" ON "week_meal" ("cook_id");
CREATE INDEX "week_meal_household_id_95c713c7" ON "week_meal" ("household_id");
CREATE INDEX "week_meal_recipe_id_54d54cda" ON "week_meal" ("recipe_id");
CREATE INDEX "week_meal_shift_id_d813be98" ON "week_meal" ("shift_id");
CREATE INDEX "meal_by_day" ON "week_meal" ("household_id", "on");
DELETE FROM "sqlite_sequence";
INSERT INTO "sqlite_sequence" VALUES('django_migrations',33);
INSERT INTO "sqlite_sequence" VALUES('django_content_type',26);
INSERT INTO "sqlite_sequence" VALUES('auth_permission',104);
INSERT INTO "sqlite_sequence" VALUES('auth_group',0);
INSERT INTO "sqlite_sequence" VALUES('axes_accessattempt',0);
INSERT INTO "sqlite_sequence" VALUES('axes_accesslog',0);
INSERT INTO "sqlite_sequence" VALUES('households_household',1);
INSERT INTO "sqlite_sequence" VALUES('plans_cooking',0);
INSERT INTO "sqlite_sequence" VALUES('plans_event',0);
INSERT INTO "sqlite_sequence" VALUES('households_user',1);
INSERT INTO "sqlite_sequence" VALUES('recipes_recipe',1);
INSERT INTO "sqlite_sequence" VALUES('larder_bag',1);
INSERT INTO "sqlite_sequence" VALUES('recipes_shift',1);
INSERT INTO "sqlite_sequence" VALUES('notebook_entry',4);
INSERT INTO "sqlite_sequence" VALUES('notebook_decision',1);
INSERT INTO "sqlite_sequence" VALUES('week_meal',1);
INSERT INTO "sqlite_sequence" VALUES('larder_left',1);
COMMIT;
