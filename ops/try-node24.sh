#!/usr/bin/env bash
# Tries the built application on Node 24, the version recommended: where the registry gives it, it starts an empty
# server on it and asks for a page and for a password to be checked.
set -u
cd "$(dirname "$(readlink -f "$0")")/.."
data=$PWD/.check/node24
rm -rf "$data"
if ! version=$(timeout 120 npm exec --yes --loglevel=error --package=node@24 -c 'node --version' 2>/dev/null | tail -n 1) || [ -z "$version" ]; then
  echo "Node 24 could not be had here; left out."
  exit 0
fi
port=$(node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})')
export PEAR_BENCH_DATA=$data PEAR_BENCH_BUILD=.next-check
timeout 180 npm exec --yes --loglevel=error --package=node@24 -c "./start --empty --port $port" >"$PWD/.check/node24.log" 2>&1 &
for _ in $(seq 1 120); do
  page=$(curl -s "http://127.0.0.1:$port/first-lead") && [ -n "$page" ] && break
  sleep 0.5
done
lead='{"club":"Reed Islet","name":"Ona Ferrel","email":"ona@reed.example","password":"a heron on the second jetty"}'
made=$(curl -s -o /dev/null -w '%{http_code}' -H 'Content-Type: application/json' -d "$lead" "http://127.0.0.1:$port/api/first-lead")
pid=$(cat "$data/server.pid" 2>/dev/null)
stopped=yes
if [ -n "$pid" ]; then
  kill -TERM "$pid"
  for _ in $(seq 1 60); do kill -0 "$pid" 2>/dev/null || break; sleep 0.5; done
  if kill -0 "$pid" 2>/dev/null; then stopped=no; kill -KILL "$pid" "$(cat "$data/mariadb.pid")"; fi
fi
[ "$stopped" = yes ] || { echo "The server did not stop within half a minute on Node $version."; cat "$PWD/.check/node24.log"; exit 1; }
case "$page" in *"</html>"*) ;; *) echo "No page on Node $version."; cat "$PWD/.check/node24.log"; exit 1 ;; esac
[ "$made" -ge 200 ] && [ "$made" -lt 300 ] || { echo "The first lead could not be made on Node $version: $made."; cat "$PWD/.check/node24.log"; exit 1; }
echo "Runs on Node $version."
