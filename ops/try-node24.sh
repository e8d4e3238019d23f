#!/usr/bin/env bash
# Tries the built application on Node 24, the version recommended: where the registry gives it, it starts an empty
# server on it and asks for a page and for a password to be checked.
set -u
cd "$(dirname "$(readlink -f "$0")")/.."
data=$PWD/.check/node24
rm -rf "$data"
node24() { npm exec --yes --loglevel=error --package=node@24 -c "$1"; }
if ! version=$(timeout 120 npm exec --yes --loglevel=error --package=node@24 -c 'node --version' 2>/dev/null | tail -n 1) || [ -z "$version" ]; then
  echo "Node 24 could not be had here; left out."
  exit 0
fi
port=$(node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})')
export PEAR_BENCH_DATA=$data PEAR_BENCH_BUILD=.next-check
node24 "./start --empty --port $port" >"$PWD/.check/node24.log" 2>&1 &
for _ in $(seq 1 120); do
  page=$(curl -s "http://127.0.0.1:$port/first-lead") && [ -n "$page" ] && break
  sleep 0.5
done
lead='{"club":"Reed Islet","name":"Ona Ferrel","email":"ona@reed.example","password":"a heron on the second jetty"}'
made=$(curl -s -o /dev/null -w '%{http_code}' -H 'Content-Type: application/json' -d "$lead" "http://127.0.0.1:$port/api/first-lead")
for pid in $(cat "$data/server.pid" 2>/dev/null); do kill -TERM "$pid"; done
wait
case "$page" in *"</html>"*) ;; *) echo "No page on Node $version."; cat "$PWD/.check/node24.log"; exit 1 ;; esac
[ "$made" -ge 200 ] && [ "$made" -lt 300 ] || { echo "The first lead could not be made on Node $version: $made."; cat "$PWD/.check/node24.log"; exit 1; }
echo "Runs on Node $version."
