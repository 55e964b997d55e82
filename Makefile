# make demo    set up, and serve the sample world on http://127.0.0.1:8000
# make test    set up, and run every check and test
# make quick   the checks and tests for use while one works: pages, road and long searches left out
# make night   the tests, with more cases of every kind than fit into the day
# make dev     serve the sample world, started anew whenever a file is saved
# make setup   only set up: afterwards .venv/bin/kersey works
# make bench   measure the search for the most blocks, beside others and as fabric grows, and pages

.PHONY: demo test quick night dev setup checks bench pictures format
BIN := .venv/bin
# What was compiled once serves every process that the tests begin.
export PYTHONDONTWRITEBYTECODE :=

demo: setup
	$(BIN)/kersey demo

setup: .venv/ready

test: checks
	sh tools/find-browser.sh
	$(BIN)/pytest -n auto --dist worksteal

quick: checks
	$(BIN)/pytest -n auto --dist worksteal -m "not slow and not night"

night: checks
	$(BIN)/pytest -n auto --dist worksteal -m "night or not night" --hypothesis-profile=explore

checks: .venv/ready-for-tests
	$(BIN)/ruff check
	$(BIN)/ruff format --check
	$(BIN)/codespell
	$(BIN)/mypy -n auto
	$(BIN)/lint-imports

dev: setup
	$(BIN)/python -c "from kersey.demo.sample_world import load_sample_world as load; \
	from kersey.web.server_settings import sample_folder; load(sample_folder())"
	$(BIN)/uvicorn --factory kersey.web.app:create_dev_app --reload --reload-dir src

bench: .venv/ready-for-tests
	$(BIN)/pip install --quiet --disable-pip-version-check -r requirements/bench.txt
	$(BIN)/python -m bench.yields
	$(BIN)/python -m bench.beside
	$(BIN)/python -m bench.growth
	$(BIN)/python -m bench.road
	$(BIN)/python -m bench.wall
	$(BIN)/python -m bench.quilts
	$(BIN)/python -m bench.arrange
	$(BIN)/python -m bench.wall_photographs
	$(BIN)/python -m bench.cut_order
	$(BIN)/python -m bench.mishaps
	$(BIN)/python -m bench.unit_rows
	$(BIN)/python -m bench.pages
	$(BIN)/python -m bench.arrivals
	sh tools/find-browser.sh
	$(BIN)/python -m bench.browser

pictures: .venv/ready-for-tests
	sh tools/find-browser.sh
	$(BIN)/python tools/take_pictures.py

format: .venv/ready-for-tests
	$(BIN)/ruff check --fix
	$(BIN)/ruff format

.venv/ready: requirements/run.txt pyproject.toml
	sh tools/make-venv.sh
	$(BIN)/pip install --quiet --no-compile --disable-pip-version-check -r requirements/run.txt
	$(BIN)/pip install --quiet --no-compile --disable-pip-version-check --no-deps -e .
	touch $@

.venv/ready-for-tests: .venv/ready requirements/dev.txt
	$(BIN)/pip install --quiet --no-compile --disable-pip-version-check -r requirements/dev.txt
	touch $@
