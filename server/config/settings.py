"""Settings, from the environment only, with safe defaults."""

from __future__ import annotations

import os
from pathlib import Path
from urllib.parse import unquote, urlsplit

os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

ROOT = Path(__file__).resolve().parent.parent.parent
DATA = Path(os.environ.get("KEEN_DATA", ROOT / ".data"))


def _secret() -> str:
    if key := os.environ.get("KEEN_SECRET_KEY"):
        return key
    kept = DATA / "secret-key"
    if kept.exists():
        return kept.read_text().strip()
    raise RuntimeError("Set KEEN_SECRET_KEY, or start with ./keen start, which makes one.")


def _database(url: str) -> dict[str, object]:
    parts = urlsplit(url)
    return {
        "ENGINE": "django.db.backends.postgresql",
        "NAME": parts.path.lstrip("/"),
        "USER": unquote(parts.username or ""),
        "PASSWORD": unquote(parts.password or ""),
        "HOST": parts.hostname or "127.0.0.1",
        "PORT": str(parts.port or 5432),
        "CONN_MAX_AGE": 0,
        "CONN_HEALTH_CHECKS": True,
        "OPTIONS": {"pool": {"min_size": 1, "max_size": 8, "timeout": 10}},
    }


SECRET_KEY = _secret()
DEBUG = False
ALLOWED_HOSTS = os.environ.get("KEEN_ALLOWED_HOSTS", "127.0.0.1,localhost,[::1]").split(",")
SECURE = os.environ.get("KEEN_SECURE", "0") == "1"
DEMO_SIGN_IN = os.environ.get("KEEN_DEMO_SIGN_IN", "1") == "1"

DATABASES = {"default": _database(os.environ.get("DATABASE_URL", "postgresql:///keen"))}
MEDIA_ROOT = Path(os.environ.get("KEEN_MEDIA", DATA / "files"))
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"
AUTH_USER_MODEL = "accounts.User"
ROOT_URLCONF = "server.config.urls"

INSTALLED_APPS = [
    "django.contrib.contenttypes",
    "django.contrib.auth",
    "django.contrib.sessions",
    "django.contrib.staticfiles",
    "axes",
    "csp",
    "ninja",
    "procrastinate.contrib.django",
    "server.accounts",
    "server.rooms",
    "server.files",
    "server.tasks",
    "server.record",
    "server.members",
    "server.plates",
    "server.events",
    "server.courses",
    "server.strips",
    "server.studies",
    "server.baths",
    "server.instruments",
    "server.plans",
    "server.runs",
    "server.timers",
    "server.shopbook",
    "server.exposures",
    "server.pulls",
    "server.marks",
    "server.proofs",
    "server.editions",
    "server.works",
    "server.demo",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "server.replies.door.DoorMiddleware",
    "csp.middleware.CSPMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
]
TEMPLATES = [
    {"BACKEND": "django.template.backends.django.DjangoTemplates", "APP_DIRS": True, "OPTIONS": {}}
]
AUTHENTICATION_BACKENDS = [
    "axes.backends.AxesStandaloneBackend",
    "django.contrib.auth.backends.ModelBackend",
]
AUTH_PASSWORD_VALIDATORS = [
    {
        "NAME": "django.contrib.auth.password_validation.MinimumLengthValidator",
        "OPTIONS": {"min_length": 10},
    },
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
    {"NAME": "server.accounts.passwords.SignsValidator"},
]
PASSWORD_HASHERS = [
    "django.contrib.auth.hashers.Argon2PasswordHasher",
    "django.contrib.auth.hashers.PBKDF2PasswordHasher",  # of earlier versions; made anew when used
]

AXES_USERNAME_FORM_FIELD = "username"
AXES_FAILURE_LIMIT = 8
AXES_COOLOFF_TIME = 0.25
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_RESET_ON_SUCCESS = True
AXES_VERBOSE = False
AXES_LOCKOUT_CALLABLE = "server.accounts.actions.tries.locked_out"
AXES_ENABLE_ACCESS_FAILURE_LOG = True

PROCRASTINATE_AUTODISCOVER_MODULE_NAME = "tasks"
PROCRASTINATE_IMPORT_PATHS = ["server.tasks.jobs"]

LANGUAGE_CODE = "en"
USE_I18N = False
USE_TZ = True
TIME_ZONE = "UTC"

STATIC_URL = "/static/"
WEB_DIST = ROOT / "web" / "dist"
if WEB_DIST.is_dir():
    WHITENOISE_ROOT = WEB_DIST
WHITENOISE_USE_FINDERS = True
WHITENOISE_AUTOREFRESH = False
WHITENOISE_MAX_AGE = 60

SESSION_COOKIE_NAME = "keen_session"
SESSION_COOKIE_AGE = 60 * 60 * 24 * 30
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = "Lax"
SESSION_COOKIE_SECURE = SECURE
CSRF_COOKIE_NAME = "keen_csrf"
CSRF_COOKIE_SECURE = SECURE
CSRF_COOKIE_SAMESITE = "Lax"
CSRF_FAILURE_VIEW = "server.replies.errors.csrf_failed"
SECURE_CONTENT_TYPE_NOSNIFF = True
SECURE_REFERRER_POLICY = "same-origin"
X_FRAME_OPTIONS = "DENY"
SECURE_HSTS_SECONDS = 60 * 60 * 24 * 30 if SECURE else 0
CONTENT_SECURITY_POLICY = {
    "EXCLUDE_URL_PREFIXES": ["/api/docs"],
    "DIRECTIVES": {
        "default-src": ["'self'"],
        "img-src": ["'self'", "data:", "blob:"],
        "style-src": ["'self'", "'unsafe-inline'"],
        "script-src": ["'self'"],
        "worker-src": ["'self'"],
        "connect-src": ["'self'"],
        "object-src": ["'none'"],
        "base-uri": ["'none'"],
        "form-action": ["'self'"],
        "frame-ancestors": ["'none'"],
    },
}

LARGEST_BODY_BYTES = 1_000_000
LARGEST_UPLOAD_BYTES = 60_000_000
LARGEST_PICTURE_PIXELS = 120_000_000
DATA_UPLOAD_MAX_MEMORY_SIZE = LARGEST_UPLOAD_BYTES + 1_000_000
FILE_UPLOAD_MAX_MEMORY_SIZE = 2_000_000
FILE_UPLOAD_PERMISSIONS = 0o600
SILENCED_SYSTEM_CHECKS = ["axes.W003"]

LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {"console": {"class": "logging.StreamHandler"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
    "loggers": {"django.request": {"level": "ERROR"}},
}
