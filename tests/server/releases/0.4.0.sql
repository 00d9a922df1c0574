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
INSERT INTO "auth_permission" VALUES(41,11,'add_recipe','Can add recipe');
INSERT INTO "auth_permission" VALUES(42,11,'change_recipe','Can change recipe');
INSERT INTO "auth_permission" VALUES(43,11,'delete_recipe','Can delete recipe');
INSERT INTO "auth_permission" VALUES(44,11,'view_recipe','Can view recipe');
INSERT INTO "auth_permission" VALUES(45,12,'add_shift','Can add shift');
INSERT INTO "auth_permission" VALUES(46,12,'change_shift','Can change shift');
INSERT INTO "auth_permission" VALUES(47,12,'delete_shift','Can delete shift');
INSERT INTO "auth_permission" VALUES(48,12,'view_shift','Can view shift');
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
INSERT INTO "django_content_type" VALUES(11,'recipes','recipe');
INSERT INTO "django_content_type" VALUES(12,'recipes','shift');
CREATE TABLE "django_migrations" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "app" varchar(255) NOT NULL, "name" varchar(255) NOT NULL, "applied" datetime NOT NULL);
INSERT INTO "django_migrations" VALUES(1,'contenttypes','0001_initial','2026-11-25 04:44:11.670231');
INSERT INTO "django_migrations" VALUES(2,'contenttypes','0002_remove_content_type_name','2026-11-25 04:44:11.683230');
INSERT INTO "django_migrations" VALUES(3,'auth','0001_initial','2026-11-25 04:44:11.700032');
INSERT INTO "django_migrations" VALUES(4,'auth','0002_alter_permission_name_max_length','2026-11-25 04:44:11.709918');
INSERT INTO "django_migrations" VALUES(5,'auth','0003_alter_user_email_max_length','2026-11-25 04:44:11.716991');
INSERT INTO "django_migrations" VALUES(6,'auth','0004_alter_user_username_opts','2026-11-25 04:44:11.726294');
INSERT INTO "django_migrations" VALUES(7,'auth','0005_alter_user_last_login_null','2026-11-25 04:44:11.733697');
INSERT INTO "django_migrations" VALUES(8,'auth','0006_require_contenttypes_0002','2026-11-25 04:44:11.734834');
INSERT INTO "django_migrations" VALUES(9,'auth','0007_alter_validators_add_error_messages','2026-11-25 04:44:11.741810');
INSERT INTO "django_migrations" VALUES(10,'auth','0008_alter_user_username_max_length','2026-11-25 04:44:11.748723');
INSERT INTO "django_migrations" VALUES(11,'auth','0009_alter_user_last_name_max_length','2026-11-25 04:44:11.755332');
INSERT INTO "django_migrations" VALUES(12,'auth','0010_alter_group_name_max_length','2026-11-25 04:44:11.763881');
INSERT INTO "django_migrations" VALUES(13,'auth','0011_update_proxy_permissions','2026-11-25 04:44:11.772330');
INSERT INTO "django_migrations" VALUES(14,'auth','0012_alter_user_first_name_max_length','2026-11-25 04:44:11.779878');
INSERT INTO "django_migrations" VALUES(15,'axes','0001_initial','2026-11-25 04:44:11.785826');
INSERT INTO "django_migrations" VALUES(16,'axes','0002_auto_20151217_2044','2026-11-25 04:44:11.841645');
INSERT INTO "django_migrations" VALUES(17,'axes','0003_auto_20160322_0929','2026-11-25 04:44:11.861389');
INSERT INTO "django_migrations" VALUES(18,'axes','0004_auto_20181024_1538','2026-11-25 04:44:11.881342');
INSERT INTO "django_migrations" VALUES(19,'axes','0005_remove_accessattempt_trusted','2026-11-25 04:44:11.889425');
INSERT INTO "django_migrations" VALUES(20,'axes','0006_remove_accesslog_trusted','2026-11-25 04:44:11.897295');
INSERT INTO "django_migrations" VALUES(21,'axes','0007_alter_accessattempt_unique_together','2026-11-25 04:44:11.911765');
INSERT INTO "django_migrations" VALUES(22,'axes','0008_accessfailurelog','2026-11-25 04:44:11.916157');
INSERT INTO "django_migrations" VALUES(23,'axes','0009_add_session_hash','2026-11-25 04:44:11.923813');
INSERT INTO "django_migrations" VALUES(24,'axes','0010_accessattemptexpiration','2026-11-25 04:44:11.929011');
INSERT INTO "django_migrations" VALUES(25,'households','0001_initial','2026-11-25 04:44:11.945989');
INSERT INTO "django_migrations" VALUES(26,'recipes','0001_initial','2026-11-25 04:44:11.994803');
INSERT INTO "django_migrations" VALUES(27,'sessions','0001_initial','2026-11-25 04:44:11.998704');
CREATE TABLE "django_session" ("session_key" varchar(40) NOT NULL PRIMARY KEY, "session_data" text NOT NULL, "expire_date" datetime NOT NULL);
CREATE TABLE "households_household" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "name" varchar(80) NOT NULL, "time_zone" varchar(64) NOT NULL, "measure_name" varchar(20) NOT NULL, "measure_ml" real NOT NULL, "cup_ml" real NOT NULL, "created" datetime NOT NULL);
INSERT INTO "households_household" VALUES(1,'Fennel Row, five at the table','UTC','glass',220.0,237.0,'2026-11-25 04:44:12.653283');
CREATE TABLE "households_user" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "password" varchar(128) NOT NULL, "last_login" datetime NULL, "is_superuser" bool NOT NULL, "username" varchar(150) NOT NULL UNIQUE, "first_name" varchar(150) NOT NULL, "last_name" varchar(150) NOT NULL, "email" varchar(254) NOT NULL, "is_staff" bool NOT NULL, "is_active" bool NOT NULL, "date_joined" datetime NOT NULL, "household_id" bigint NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "households_user" VALUES(1,'!1UK0ICRTEu00GuxM6lDABvySkbqFRC0X32z6oKcx',NULL,0,'fennel','','','',0,1,'2026-11-25 04:44:12.653919',1);
CREATE TABLE "households_user_groups" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "user_id" bigint NOT NULL REFERENCES "households_user" ("id") DEFERRABLE INITIALLY DEFERRED, "group_id" integer NOT NULL REFERENCES "auth_group" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "households_user_user_permissions" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "user_id" bigint NOT NULL REFERENCES "households_user" ("id") DEFERRABLE INITIALLY DEFERRED, "permission_id" integer NOT NULL REFERENCES "auth_permission" ("id") DEFERRABLE INITIALLY DEFERRED);
CREATE TABLE "recipes_recipe" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "title" varchar(200) NOT NULL, "text" text NOT NULL, "corrections" text NOT NULL CHECK ((JSON_VALID("corrections") OR "corrections" IS NULL)), "version" integer unsigned NOT NULL CHECK ("version" >= 0), "created" datetime NOT NULL, "updated" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "recipes_recipe" VALUES(9,'Stirred mushroom rice','# Stirred mushroom rice

Serves 4

## Ingredients

- 300g risotto rice
- 1 litre hot vegetable stock
- 100 ml white wine
- 250 g chestnut mushrooms, sliced
- 1 small onion, finely chopped
- 40 g butter
- 30 g hard cheese, grated

## Method

1. Melt half the butter and soften the onion in it for 5 minutes. Add the mushrooms and fry 6 minutes more.
2. Stir in the rice for 2 minutes, then pour in the wine and let it bubble away.
3. Add the stock a ladle at a time, uncovered, stirring, and simmer for 18 minutes.
4. Off the heat, beat in the cheese and the rest of the butter. Rest 2 minutes and serve.','[]',1,'2026-11-25 04:44:13.036674','2026-11-25 04:44:13.036715',1);
CREATE TABLE "recipes_shift" ("id" integer NOT NULL PRIMARY KEY AUTOINCREMENT, "title" varchar(240) NOT NULL, "grain" varchar(40) NOT NULL, "text" text NOT NULL, "corrections" text NOT NULL CHECK ((JSON_VALID("corrections") OR "corrections" IS NULL)), "choice" text NOT NULL CHECK ((JSON_VALID("choice") OR "choice" IS NULL)), "factors" text NOT NULL CHECK ((JSON_VALID("factors") OR "factors" IS NULL)), "engine" varchar(20) NOT NULL, "result" text NOT NULL CHECK ((JSON_VALID("result") OR "result" IS NULL)), "created" datetime NOT NULL, "household_id" bigint NOT NULL REFERENCES "households_household" ("id") DEFERRABLE INITIALLY DEFERRED, "recipe_id" bigint NULL REFERENCES "recipes_recipe" ("id") DEFERRABLE INITIALLY DEFERRED);
INSERT INTO "recipes_shift" VALUES(3,'Stirred mushroom pearl barley','barley-pearl','# Stirred mushroom rice

Serves 4

## Ingredients

- 300g risotto rice
- 1 litre hot vegetable stock
- 100 ml white wine
- 250 g chestnut mushrooms, sliced
- 1 small onion, finely chopped
- 40 g butter
- 30 g hard cheese, grated

## Method

1. Melt half the butter and soften the onion in it for 5 minutes. Add the mushrooms and fry 6 minutes more.
2. Stir in the rice for 2 minutes, then pour in the wine and let it bubble away.
3. Add the stock a ladle at a time, uncovered, stirring, and simmer for 18 minutes.
4. Off the heat, beat in the cheese and the rest of the butter. Rest 2 minutes and serve.','[]','{"to": "barley-pearl", "pot_cm": 24.0}','{"water": 1.0, "time": 1.0, "boil_off": 1.0}','0.4.0','{"schema": 1, "engine": "0.4.0", "title": "Stirred mushroom pearl barley", "title_marks": [[17, 29]], "servings": 4.0, "from": {"grain": "rice-risotto", "name": "risotto rice", "dry_ml": 357, "dry_g": 300, "cook_min": 18.0, "water_ml": 1067, "was_title": "Stirred mushroom rice"}, "pots": [{"schema": 1, "grain": "barley-pearl", "dry": {"ml": 357, "g": 296}, "method": "open", "texture": "moist", "texture_at": 2.0, "texture_word": "moist", "lid": "open", "water": {"pour_ml": 1271, "reserve_ml": 152, "low_ml": 1119, "high_ml": 1423, "ratio_by_volume": 3.56, "depth_above_cm": 2.5, "pour_said": {"amount": 5.75, "unit": "glass"}}, "soak": {"min": 0, "uptake_ml": 0}, "roast": {"kind": "fat", "min": 3, "why": "a nuttier taste; not usual for this grain"}, "time": {"come_up_min": 7, "cook": {"low": 24, "typical": 29, "high": 34}, "release_min": 0, "rest_min": 5, "total_min": 41}, "yield": {"ml": 1297, "g": 1038}, "done_when": "Swollen to twice its size, springy, tender through with a gentle chew.", "ledger": [{"term": "grain", "ml": 741, "because": "296 g of pearl barley drink 2.50 times their weight to come out moist"}, {"term": "boil_off", "ml": 486, "because": "boils off from the open pan"}, {"term": "come_up", "ml": 40, "because": "lost on the way to the boil"}, {"term": "brought", "ml": -87, "because": "already there, from the white wine"}, {"term": "recipe_habit", "ml": 66, "because": "the recipe''s habit: it pours more than its own grain needs"}, {"term": "stock_solids", "ml": 25, "because": "stock is not all water"}], "time_ledger": [{"term": "come_up", "min": 7, "because": "to the boil on 1,200 W"}, {"term": "simmer", "min": 28, "because": "pearl barley, unsoaked, to fluffy under a lid"}, {"term": "texture", "min": 3, "because": "to come out moist"}, {"term": "recipe_habit", "min": -2, "because": "the recipe''s habit: it cooks its own grain less than usual"}, {"term": "rest", "min": 5, "because": "lid closed, off the heat: the last water moves into the middle of each grain"}], "basis": "practice", "after": {"spread_to_60_min": 16, "spread_cool_min": 108, "pot_to_60_min": 15, "pot_cool_min": 103, "cold_texture": "fluffy", "drinks_on_ml": 104}, "stages": [{"what": "to the boil", "min": 7}, {"what": "lowest heat, no lid", "min": 29}, {"what": "off the heat, lid closed", "min": 5}], "cautions": [{"code": "gluten", "text": "Pearl barley contains gluten: not for anyone with coeliac disease or a wheat allergy.", "because": "of the grain"}, {"code": "cooling", "text": "Cooked grain kept warm and damp grows bacteria whose toxin reheating does not undo. Keep it above 60 \u00b0C or cool it shallow and get it into the fridge (5 \u00b0C or colder) within 1 hour, 2 at the most. Eat it within 1 day by the stricter rule; some authorities allow up to 4: follow your local one. Reheat once only, steaming hot throughout (74 \u00b0C).", "because": "there may be some left over"}], "problems": [], "name": "pearl barley", "short": "barley"}], "blend": {"kind": "single", "because": ""}, "ingredients": [{"text": "296 g pearl barley", "was": "300g risotto rice", "role": "source_grain", "marks": [[0, 5], [6, 18]], "olds": ["300g", "risotto rice"], "because": "the same volume of another grain weighs otherwise"}, {"text": "1.27 l hot vegetable stock (1080 ml of stock, let down with 190 ml of water)", "was": "1 litre hot vegetable stock", "role": "pot_liquid", "marks": [[0, 6], [26, 76]], "olds": ["1 litre", ""], "because": "this is what the grain drinks and the pot loses; the stock''s salt follows the cooked weight, not the water"}, {"text": "100 ml white wine", "was": "100 ml white wine", "role": "pot_liquid", "marks": [], "olds": [], "because": ""}, {"text": "250 g chestnut mushrooms, sliced", "was": "250 g chestnut mushrooms, sliced", "role": "watery", "marks": [], "olds": [], "because": ""}, {"text": "1 small onion, finely chopped", "was": "1 small onion, finely chopped", "role": "beside", "marks": [], "olds": [], "because": ""}, {"text": "45 g butter", "was": "40 g butter", "role": "fat", "marks": [[0, 4]], "olds": ["40 g"], "because": "follows the cooked weight"}, {"text": "30 g hard cheese, grated", "was": "30 g hard cheese, grated", "role": "after", "marks": [], "olds": [], "because": ""}], "steps": [{"text": "Rinse the barley twice in a fine sieve until the water runs clear. Drain well.", "was": null, "reason": "Loose starch and dust.", "marks": [[0, 78]], "olds": [], "kind": "rinse"}, {"text": "Melt half the butter and soften the onion in it for 5 minutes. Add the mushrooms and fry 6 minutes more.", "was": "Melt half the butter and soften the onion in it for 5 minutes. Add the mushrooms and fry 6 minutes more.", "reason": "", "marks": [], "olds": [], "kind": ""}, {"text": "Stir in the barley for 2 minutes, then pour in the wine and let it bubble away.", "was": "Stir in the rice for 2 minutes, then pour in the wine and let it bubble away.", "reason": "", "marks": [[12, 18]], "olds": ["rice"], "kind": ""}, {"text": "Add the stock a ladle at a time, uncovered, stirring, and simmer for 29 minutes.", "was": "Add the stock a ladle at a time, uncovered, stirring, and simmer for 18 minutes.", "reason": "Pearl barley takes about 29 minutes here.", "marks": [[69, 79]], "olds": ["18 minutes"], "kind": ""}, {"text": "Look: swollen to twice its size, springy, tender through with a gentle chew. Not yet? Add 80 ml of boiling water and give it 4 more minutes.", "was": null, "reason": "Minutes are a guide; the sign decides.", "marks": [[0, 140]], "olds": [], "kind": "look"}, {"text": "Off the heat, beat in the cheese and the rest of the butter. Rest 5 minutes and serve.", "was": "Off the heat, beat in the cheese and the rest of the butter. Rest 2 minutes and serve.", "reason": "The rest is this grain''s.", "marks": [[66, 75]], "olds": ["2 minutes"], "kind": ""}], "changes": [{"what": "ingredient", "was": "300g risotto rice", "now": "296 g pearl barley", "because": "the same volume of another grain weighs otherwise"}, {"what": "ingredient", "was": "1 litre hot vegetable stock", "now": "1.27 l hot vegetable stock (1080 ml of stock, let down with 190 ml of water)", "because": "this is what the grain drinks and the pot loses; the stock''s salt follows the cooked weight, not the water"}, {"what": "ingredient", "was": "40 g butter", "now": "45 g butter", "because": "follows the cooked weight"}, {"what": "minutes", "was": "18 min", "now": "29 min", "because": "pearl barley, unsoaked, to fluffy under a lid"}], "check": [], "problems": [], "cautions": [{"code": "gluten_in", "text": "Pearl barley contains gluten, and the recipe had none: not for anyone with coeliac disease or a wheat allergy.", "because": "the new grain brings it in"}, {"code": "allergens", "text": "From the recipe itself: milk. They are still in the dish.", "because": "carried over from the recipe"}, {"code": "cooling", "text": "Cooked grain kept warm and damp grows bacteria whose toxin reheating does not undo. Keep it above 60 \u00b0C or cool it shallow and get it into the fridge (5 \u00b0C or colder) within 1 hour, 2 at the most. Eat it within 1 day by the stricter rule; some authorities allow up to 4: follow your local one. Reheat once only, steaming hot throughout (74 \u00b0C).", "because": "there may be some left over"}], "count_out": [], "strip": [{"what": "pan first", "min": 13, "kind": "before", "at": []}, {"what": "to the boil", "min": 7, "kind": "come_up", "at": []}, {"what": "simmer", "min": 29, "kind": "cook", "at": []}, {"what": "rest", "min": 5, "kind": "rest", "at": []}]}','2026-11-25 04:44:13.079962',1,9);
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
CREATE INDEX "recipe_by_household" ON "recipes_recipe" ("household_id", "updated" DESC);
CREATE INDEX "shift_by_household" ON "recipes_shift" ("household_id", "created" DESC);
CREATE INDEX "recipes_recipe_household_id_631f816a" ON "recipes_recipe" ("household_id");
CREATE INDEX "recipes_shift_household_id_1cb4cd49" ON "recipes_shift" ("household_id");
CREATE INDEX "recipes_shift_recipe_id_f96269be" ON "recipes_shift" ("recipe_id");
CREATE INDEX "django_session_expire_date_a5c62663" ON "django_session" ("expire_date");
DELETE FROM "sqlite_sequence";
INSERT INTO "sqlite_sequence" VALUES('django_migrations',27);
INSERT INTO "sqlite_sequence" VALUES('django_content_type',12);
INSERT INTO "sqlite_sequence" VALUES('auth_permission',48);
INSERT INTO "sqlite_sequence" VALUES('auth_group',0);
INSERT INTO "sqlite_sequence" VALUES('axes_accessattempt',0);
INSERT INTO "sqlite_sequence" VALUES('axes_accesslog',0);
INSERT INTO "sqlite_sequence" VALUES('households_household',1);
INSERT INTO "sqlite_sequence" VALUES('households_user',1);
INSERT INTO "sqlite_sequence" VALUES('recipes_recipe',10);
INSERT INTO "sqlite_sequence" VALUES('recipes_shift',3);
COMMIT;
