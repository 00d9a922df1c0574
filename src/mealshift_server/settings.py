"""Settings. Everything a household may want to change comes from the environment (README, "At home")."""

from __future__ import annotations

import secrets
from pathlib import Path

import environ
from csp.constants import NONE, SELF

env = environ.Env()
BASE_DIR = Path(__file__).resolve().parents[2]
DATA_DIR = Path(env.str("MEALSHIFT_DATA", default=str(BASE_DIR / "var")))
WEB_DIST = Path(env.str("MEALSHIFT_WEB", default=str(BASE_DIR / "web" / "dist")))
DATA_DIR.mkdir(parents=True, exist_ok=True, mode=0o700)


def _secret_key() -> str:
    """Made at first start and kept beside the data; never in the repository."""
    file = DATA_DIR / "secret_key"
    try:
        with file.open("x", encoding="ascii") as f:
            file.chmod(0o600)
            f.write(secrets.token_urlsafe(64))
    except FileExistsError:
        pass
    return file.read_text(encoding="ascii")


SECRET_KEY = env.str("MEALSHIFT_SECRET_KEY", default="") or _secret_key()
DEBUG = False
# the demo signs its visitor in, but only on this machine: see households/demo.py
DEMO = env.bool("MEALSHIFT_DEMO", default=False)
BIND = env.str("MEALSHIFT_BIND", default="127.0.0.1")
HTTPS = env.bool("MEALSHIFT_HTTPS", default=False)
ALLOWED_HOSTS = env.list("MEALSHIFT_HOSTS", default=["127.0.0.1", "localhost", "[::1]"])
# behind HTTPS the household may be served on any port
CSRF_TRUSTED_ORIGINS = [f"https://{h}{port}" for h in ALLOWED_HOSTS if HTTPS for port in ("", ":*")]
# how many proxies of one's own stand before this; without one, what a client says of its address is not believed
PROXIES = env.int("MEALSHIFT_PROXIES", default=0)
# a household of one's own keeps its server to itself: further ones are founded only where that is wanted
OPEN_TO_ALL = env.bool("MEALSHIFT_OPEN", default=False)

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "axes",
    "csp",
    "ninja",
    "mealshift_server.households",
    "mealshift_server.kitchen",
    "mealshift_server.larder",
    "mealshift_server.taught",
    "mealshift_server.recipes",
    "mealshift_server.plans",
    "mealshift_server.notebook",
    "mealshift_server.week",
    "mealshift_server.backup",
    "mealshift_server.demo",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    # before the static pages too, so that they carry it
    "csp.middleware.CSPMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    # Django's own, which pads its answers against guessing a secret from their length
    "django.middleware.gzip.GZipMiddleware",
    "mealshift_server.base.body.bounded",
    "mealshift_server.base.body.unkept",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
]
ROOT_URLCONF = "mealshift_server.urls"
WSGI_APPLICATION = "mealshift_server.wsgi.application"
TEMPLATES = [{"BACKEND": "django.template.backends.django.DjangoTemplates", "APP_DIRS": True}]

DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": DATA_DIR / "mealshift.sqlite3",
        "OPTIONS": {
            "transaction_mode": "IMMEDIATE",
            "timeout": 20,
            "init_command": "PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL;",
        },
        "TEST": {"NAME": DATA_DIR / "test.sqlite3"},
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"
AUTH_USER_MODEL = "households.User"
AUTHENTICATION_BACKENDS = ["axes.backends.AxesStandaloneBackend", "django.contrib.auth.backends.ModelBackend"]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator", "OPTIONS": {"min_length": 10}},
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
    {"NAME": "django.contrib.auth.password_validation.NumericPasswordValidator"},
    {"NAME": "mealshift_server.households.passwords.NoBlanksNorOurName"},
]

# five wrong passwords for one name from one address: a quarter of an hour's pause
AXES_FAILURE_LIMIT = 5
AXES_COOLOFF_TIME = 0.25
AXES_RESET_ON_SUCCESS = True
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_LOCKOUT_CALLABLE = "mealshift_server.base.errors.locked_out"
AXES_IPWARE_META_PRECEDENCE_ORDER = ["HTTP_X_FORWARDED_FOR", "REMOTE_ADDR"] if PROXIES else ["REMOTE_ADDR"]
AXES_IPWARE_PROXY_COUNT = PROXIES or None
NINJA_NUM_PROXIES = PROXIES
# all tries from one address, whatever the name
# readings an address may try in a minute without an account
TRY_RATE = env.str("MEALSHIFT_TRY_RATE", default="30/m")
# the bench asks with every touch
GUEST_RATE = env.str("MEALSHIFT_GUEST_RATE", default="120/m")
DOOR_RATE = env.str("MEALSHIFT_DOOR_RATE", default="60/h")
AXES_VERBOSE = False

CSRF_FAILURE_VIEW = "mealshift_server.base.errors.page_forbidden"
SESSION_COOKIE_AGE = 60 * 60 * 24 * 60
SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = HTTPS
SESSION_COOKIE_SAMESITE = "Lax"
SECURE_SSL_REDIRECT = False
SECURE_HSTS_SECONDS = 60 * 60 * 24 * 30 if HTTPS else 0
SECURE_REFERRER_POLICY = "same-origin"
X_FRAME_OPTIONS = "DENY"
CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [NONE],
        "script-src": [SELF],
        "style-src": [SELF],
        "img-src": [SELF, "data:"],
        "font-src": [SELF],
        "connect-src": [SELF],
        "manifest-src": [SELF],
        "form-action": [SELF],
        "base-uri": [NONE],
        "frame-ancestors": [NONE],
    }
}
# a photo; each door's own bound is in base/body.py, and a backup is a file that is not held in memory
DATA_UPLOAD_MAX_MEMORY_SIZE = 12 * 1024 * 1024

STATIC_URL = "/static/"
STATIC_ROOT = WEB_DIST
WHITENOISE_MIMETYPES = {".webmanifest": "application/manifest+json"}
WHITENOISE_USE_FINDERS = False


def WHITENOISE_IMMUTABLE_FILE_TEST(path: str, url: str) -> bool:  # noqa: N802, ARG001 - the setting's own name
    """Vite puts a hash into every file name under assets/."""
    return url.startswith("/static/assets/")


LANGUAGE_CODE = "en-gb"
USE_TZ = True
TIME_ZONE = "UTC"
LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {"console": {"class": "logging.StreamHandler"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
    # which laws of a rewritten recipe were broken, once a text: tomorrow's reader learns from it
    "loggers": {"mealshift.laws": {"level": "INFO"}},
}
