.PHONY: setup setup-tests demo test lint lint-python lint-web test-web bench client

# Where bytecode is not kept, each of the many short processes compiles all of it again.
export PYTHONDONTWRITEBYTECODE =
TOGETHER = $(MAKE) --no-print-directory --output-sync=target -j2

setup:
	@tools/setup.sh

setup-tests:
	@tools/setup.sh tests

demo: setup
	@.venv/bin/python tools/run_demo.py

test: setup-tests
	@$(TOGETHER) lint-python test-web
	.venv/bin/python -m pytest -n logical --maxprocesses 4 --max-worker-restart 0

lint:
	@$(TOGETHER) lint-python lint-web

lint-python:
	.venv/bin/ruff check .
	.venv/bin/ruff format --check .
	.venv/bin/mypy
	.venv/bin/lint-imports

lint-web:
	cd web && npx --no-install biome ci . && npx --no-install tsc --noEmit && npx --no-install depcruise --output-type err-long src

test-web: lint-web
	cd web && npx --no-install vitest run

# The TypeScript client's types, from the server's OpenAPI description.
client:
	@mkdir -p build
	.venv/bin/python manage.py export_openapi_schema --api server.config.api.api --indent 1 --output build/openapi.json
	cd web && npx --no-install openapi-typescript ../build/openapi.json -o src/shared/api/schema.ts

bench:
	.venv/bin/python -m benchmarks
