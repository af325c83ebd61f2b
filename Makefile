# `make demo` and `make test` work on a fresh Debian machine with Python 3.11 and Node 20.

PORT ?= 8000
MINUTES ?= 5
SECONDS ?= 60
SEED ?= 0
PYTHON := .venv/bin/python
export ZIGZAG_APP_ORIGIN ?= http://localhost:$(PORT)
export ZIGZAG_CONTENT_ORIGIN ?= http://127.0.0.1:$(PORT)
WEB_SOURCES := $(shell find web -path web/node_modules -prune -o -path web/dist -prune -o -type f -print)

.PHONY: demo serve test lint lint-python lint-web build schema fuzz bench load faults film screenshots clean

demo: export ZIGZAG_DEMO = 1
demo: build ## set up, load the demo courses, start
	@$(PYTHON) manage.py demo --serve

serve: build ## start without the demo account
	@$(PYTHON) manage.py migrate --verbosity 0
	@$(PYTHON) manage.py serve

test: ## everything
	@$(MAKE) --no-print-directory -j2 build .venv/browser
	@$(MAKE) --no-print-directory -j2 lint
	$(PYTHON) -m pytest -n 2 tests/core tests/server tests/parity
	cd web && npx vitest run
	$(PYTHON) -m pytest -n 2 tests/browser

lint: lint-python lint-web

lint-python: .venv/done
	.venv/bin/ruff check .
	.venv/bin/mypy
	.venv/bin/lint-imports --no-cache
	! .venv/bin/vulture | grep -v "unused variable"

lint-web: web/node_modules/.done
	cd web && npm run --silent check

build: web/dist/.done .venv/done

schema: .venv/done web/node_modules/.done ## the API's schema and the types made from it
	$(PYTHON) manage.py export_openapi_schema --api zigzag_server.api.api --indent 1 --output web/openapi.json
	$(PYTHON) manage.py export_tables web/api
	cd web && npm run --silent types

fuzz: .venv/done web/node_modules/.done ## both languages against each other with fresh seeds, MINUTES long
	$(PYTHON) -m tests.fuzz $(MINUTES)

bench: build ## the budgets, one line per figure
	$(PYTHON) -m tests.bench

load: build ## many people at work for a minute, and whether all of it is kept
	$(PYTHON) -m tests.load $(SECONDS) $(SEED)

faults: build ## kills, full disks, locks, bad lines and a clock that jumps, and whether all that was accepted is kept
	$(PYTHON) -m tests.faults $(MINUTES) $(SEED)

film: .venv/browser ## the film of the demo, from the drawings
	$(PYTHON) -m tests.browser.film

screenshots: build .venv/browser ## pictures of the main views, from the demo data
	$(PYTHON) -m tests.browser.screenshots

.venv/done: pyproject.toml requirements.txt
	@echo "Setting up Python packages …"
	@test -x $(PYTHON) || python3 -m venv .venv 2>/dev/null || { apt-get update -qq && apt-get install -y -qq python3-venv && python3 -m venv .venv; }
	@.venv/bin/pip install --quiet --disable-pip-version-check -r requirements.txt
	@.venv/bin/pip install --quiet --disable-pip-version-check --no-deps -e .
	@touch $@

web/node_modules/.done: web/package-lock.json
	@echo "Setting up web packages …"
	@cd web && npm ci --silent --no-audit --no-fund
	@touch $@

web/dist/.done: web/node_modules/.done $(WEB_SOURCES)
	@echo "Building the web pages and the player …"
	@cd web && npm run --silent build >.build.log 2>&1 || { cat .build.log; exit 1; }
	@touch $@

# The browser tests drive Debian's Chromium.
.venv/browser: .venv/done
	@command -v chromium >/dev/null && command -v chromedriver >/dev/null || { \
	  echo "Installing chromium and chromium-driver …"; \
	  SUDO=$$(test $$(id -u) = 0 || echo sudo); \
	  $$SUDO apt-get update -qq && $$SUDO apt-get install -y -qq chromium chromium-driver; }
	@touch $@

clean:
	rm -rf .venv web/node_modules web/dist
