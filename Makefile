# Meal Shift. `make demo` and `make test` do everything on a bare machine; the rest are their parts.
# an environment someone else has activated is not ours to install into
unexport VIRTUAL_ENV
PY := .venv/bin/python
PORT ?= 8000
export DJANGO_SETTINGS_MODULE = mealshift_server.settings

.PHONY: help demo serve test lint types imports core server web browser train-reading reading-figures calibrate bench mutants recorded screenshots api format requirements clean chromium

help: ## print this
	@grep -hE '^[a-z-]+:.*##' $(MAKEFILE_LIST) | sed 's/:.*## /\t/' | expand -t 12

demo: .venv/.run web/dist/index.html ## install, build, seed and serve the demo on this machine
	@MEALSHIFT_DEMO=1 $(PY) manage.py serve --port $(PORT)

serve: .venv/.run web/dist/index.html ## the same without the demo household and its open door
	@$(PY) manage.py serve --port $(PORT)

test: .venv/.dev web/node_modules/.done web/dist/index.html chromium lint types imports core server web browser ## everything that must be green

lint: .venv/.dev web/node_modules/.done web/src/api/schema.d.ts ## ruff, eslint and prettier
	.venv/bin/ruff check src tests scripts manage.py
	.venv/bin/ruff format --check -q src tests scripts manage.py
	cd web && npx eslint src && npx prettier --check --log-level warn src

types: .venv/.dev web/node_modules/.done web/src/api/schema.d.ts ## mypy and tsc
	.venv/bin/mypy src
	cd web && npx tsc -b

imports: .venv/.dev ## stages import earlier ones only; the core knows no framework
	.venv/bin/lint-imports --no-cache

core: .venv/.dev ## the core's tests and its docstrings' examples
	.venv/bin/pytest tests/core
	.venv/bin/pytest --doctest-modules src/mealshift

server: .venv/.dev ## the server's tests, and that no migration is missing
	$(PY) manage.py makemigrations --check --dry-run
	.venv/bin/pytest tests/server

web: web/node_modules/.done ## the web's unit tests
	cd web && npx vitest run

browser: .venv/.dev web/dist/index.html chromium ## journeys through the real interface
	.venv/bin/pytest tests/browser

train-reading: .venv/.dev ## the reader's weights from corpus/, byte for byte the same each time
	$(PY) scripts/train_reading.py

calibrate: .venv/.dev ## fits rates and hydrations to usual practice and prints them
	.venv/bin/python scripts/calibrate.py

reading-figures: .venv/.dev ## how the reader fares on each hand when trained on the others (docs/reading.md)
	$(PY) scripts/train_reading.py --figures

bench: .venv/.dev web/dist/index.html chromium ## costs as ratios in one run
	$(PY) scripts/bench.py
	$(PY) scripts/first_number.py

mutants: .venv/.dev web/dist/index.html ## break one line at a time in chosen rooms; what no test notices is printed
	$(PY) scripts/mutants.py

recorded: .venv/.dev ## write anew what the corpus is read as, and what the recorded recipes come to (tests/core/corpus); read the diff
	$(PY) scripts/reading_facts.py
	$(PY) -m tests.core.recorded

screenshots: .venv/.dev web/dist/index.html chromium ## take the README's pictures anew
	$(PY) scripts/screenshots.py

api: .venv/.dev web/node_modules/.done ## rewrite the OpenAPI snapshot (the TypeScript types follow from it)
	$(PY) manage.py export_openapi_schema --api mealshift_server.api.api --indent 1 --output src/mealshift_server/openapi.json
	cd web && npm run -s api

format: .venv/.dev web/node_modules/.done ## let the formatters have their way
	.venv/bin/ruff check --fix -q src tests scripts manage.py
	.venv/bin/ruff format -q src tests scripts manage.py
	cd web && npx prettier --write --log-level warn src

requirements: .venv/.uv ## pin anew after a change of requirements*.in
	.venv/bin/uv pip compile -q requirements.in -o requirements.txt --generate-hashes --no-python-downloads --no-header
	.venv/bin/uv pip compile -q requirements-dev.in -o requirements-dev.txt --generate-hashes --no-python-downloads --no-header -c requirements.txt

clean: ## remove what can be built again; the data in var/ stays
	rm -rf .venv web/node_modules web/dist

# -- what is installed and built only when its sources changed ------------------------------------------------

.venv/.uv:
	@python3 -m venv .venv 2>/dev/null || { sh scripts/need-debian python3-venv && python3 -m venv .venv; }
	@.venv/bin/python -m pip install -q --disable-pip-version-check uv==0.13.9
	@touch $@

# the demo needs only what runs; a tree set up for the tests has that too
.venv/.run: .venv/.uv requirements.txt pyproject.toml
	@test -e .venv/.dev && .venv/bin/uv pip sync -q --require-hashes requirements-dev.txt || .venv/bin/uv pip sync -q --require-hashes requirements.txt
	@.venv/bin/uv pip install -q --no-deps --no-build-isolation -e . 2>/dev/null || .venv/bin/uv pip install -q --no-deps -e .
	@touch $@

.venv/.dev: .venv/.uv requirements-dev.txt pyproject.toml
	@.venv/bin/uv pip sync -q --require-hashes requirements-dev.txt
	@.venv/bin/uv pip install -q --no-deps -e .
	@touch $@ .venv/.run

web/node_modules/.done: web/package-lock.json web/package.json
	cd web && npm ci --no-progress --loglevel=error
	@touch $@

WEB_SOURCES := $(shell find web/src web/public -type f 2>/dev/null) web/index.html web/vite.config.ts web/tsconfig.json web/package.json

# types are made from the committed snapshot, never by hand
web/src/api/schema.d.ts: src/mealshift_server/openapi.json web/node_modules/.done
	cd web && npm run -s api

web/dist/index.html: web/node_modules/.done .venv/.run $(WEB_SOURCES)
	cd web && npx vite build --logLevel warn
	@$(PY) -m whitenoise.compress -q web/dist
	@touch $@

# Debian's chromium, for the browser tests
chromium:
	@command -v chromium >/dev/null || sh scripts/need-debian chromium
