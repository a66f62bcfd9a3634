# Vine Swap. The two commands of the README are `make demo` and `make test`;
# both install what is missing first.

.DEFAULT_GOAL := help
BIN := bin/vineswap
GO_FILES := $(shell find . -name '*.go' -not -path './ui/node_modules/*') go.mod go.sum $(shell find store/migrations -name '*.sql')
UI_FILES := $(shell find ui/src ui/public -type f) ui/index.html ui/vite.config.ts ui/geometry.config.ts ui/svelte.config.js ui/tsconfig.json

.PHONY: help demo demo-reset test lint build wire screenshots bench sentences smooth flashes load faults attack needs needs-test

help: ## list the targets
	@grep -E '^[a-z-]+:.*## ' Makefile | sed -E 's/:.*## /\t/' | expand -t 16

demo: needs build ## serve the made-up school on 127.0.0.1
	@$(BIN) demo

demo-reset: needs build ## the same from the beginning: the demo's data is deleted
	@$(BIN) demo --reset

build: $(BIN) ui/.geometry/geometry.js ## build the screens and the binary

needs:
	@scripts/needs.sh demo

needs-test:
	@scripts/needs.sh test

ui/node_modules/.stamp: ui/package-lock.json
	cd ui && npm ci --no-audit --no-fund
	@touch $@

ui/dist/index.html: ui/node_modules/.stamp $(UI_FILES)
	cd ui && npm run --silent build
	@touch $@

# The geometry of the mat by itself, for its tests.
ui/.geometry/geometry.js: ui/node_modules/.stamp $(UI_FILES)
	cd ui && npm run --silent geometry
	@touch $@

$(BIN): ui/dist/index.html $(GO_FILES)
	go build -o $@ ./cmd/vineswap

wire: ui/node_modules/.stamp ## make the screens' types of the Go types
	go run ./wire/gen > wire/schema.json
	cd ui && npm run --silent wire

lint: ui/node_modules/.stamp ## gofmt, go vet, staticcheck, prettier, eslint, svelte-check
	@test -z "$$(gofmt -l $$(git ls-files '*.go'))" || { gofmt -d $$(git ls-files '*.go'); exit 1; }
	go vet ./...
	go tool staticcheck ./...
	cd ui && npm run --silent lint

test: needs-test lint build ## install what is missing, lint, run all tests
	go test -count=1 -vet=off -timeout 30m -parallel 3 ./e2e ./... # vetted by lint; the longest first, three tabs on two cores: they often wait

bench: ## the speeds that are asked for
	go test -run '^$$' -bench . -benchmem ./core/...

sentences: ## what the mat and the terminal say: all patterns, to be read by eye
	@go run ./sentences

load: needs build ## requests a second beside plain handlers; into docs/figures.md
	go run ./load

faults: needs build ## the server and the database killed 200 times; into docs/figures.md
	go run ./faults

attack: needs build ## what strangers would do, and what it costs; into docs/figures.md
	go run ./attack

smooth: needs-test build ## how a full mat steps in a slow browser, beside an empty page
	@scripts/demo-with.sh go run ./e2e/smooth

flashes: needs-test build ## for how long a flash is shown, and how soon the class's window follows
	@scripts/demo-with.sh go run ./e2e/flashes

screenshots: needs-test build ## take the pictures of docs/screenshots anew
	@scripts/demo-with.sh go run ./e2e/shots docs/screenshots
