#!/usr/bin/env bash
# Serves the demo course from the database that ./test names in its environment.
set -eu
root=$(cd "$(dirname "$0")/../.." && pwd)
dll="$root/src/BlueSlate.Server/bin/Release/net10.0/BlueSlate.Server.dll"
export BLUESLATE_DATABASE=$BLUESLATE_TEST_APP BLUESLATE_DATABASE_OWNER=$BLUESLATE_TEST_OWNER BLUESLATE_WEB="$root/web/dist"
dotnet "$dll" migrate
dotnet "$dll" seed-demo "$root/demo"
exec dotnet "$dll" --urls "http://127.0.0.1:$1" --demo >/dev/null
