#!/bin/sh
# npm ci only when the lock file changed; the stamp lives with what it describes.
set -eu
want=$(cat package.json package-lock.json .npmrc | sha256sum | cut -d' ' -f1)
if [ "$(cat node_modules/.installed 2>/dev/null || true)" != "$want" ]; then
  npm ci
  echo "$want" > node_modules/.installed
fi
