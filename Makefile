.PHONY: setup setup-tests demo test lint bench client

setup:
	@tools/setup.sh

setup-tests:
	@tools/setup.sh tests

demo: setup
	@.venv/bin/python tools/run_demo.py

test: setup-tests lint
	.venv/bin/python -m pytest -n logical --maxprocesses 4 --max-worker-restart 0
	cd web && npx --no-install vitest run

lint:
	.venv/bin/ruff check .
	.venv/bin/ruff format --check .
	.venv/bin/mypy
	.venv/bin/lint-imports
	cd web && npx --no-install biome ci . && npx --no-install tsc --noEmit && npx --no-install depcruise --output-type err-long src

# The TypeScript client's types, from the server's OpenAPI description.
client:
	@mkdir -p build
	.venv/bin/python manage.py export_openapi_schema --api server.config.api.api --indent 1 --output build/openapi.json
	cd web && npx --no-install openapi-typescript ../build/openapi.json -o src/shared/api/schema.ts

bench:
	.venv/bin/python -m benchmarks
