# Shared by ./start, ./test and the benches: messages, Debian packages, tools. To be sourced.
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)

say() { printf '%s\n' "$*"; }

fail() {
  printf 'blueslate: %s\n' "$*" >&2
  exit 1
}

# need_package COMMAND_OR_FILE PACKAGE: installs a Debian package when what it brings is missing.
need_package() {
  if command -v "$1" >/dev/null 2>&1 || [ -e "$1" ]; then return; fi
  [ "$(id -u)" = 0 ] || fail "$2 is missing. Install it: apt-get install $2"
  say "Installing $2 ..."
  export DEBIAN_FRONTEND=noninteractive
  { apt-get install -y --no-install-recommends "$2" || { apt-get update && apt-get install -y --no-install-recommends "$2"; }; } >/tmp/blueslate-apt.log 2>&1 \
    || fail "$2 could not be installed; see /tmp/blueslate-apt.log"
}

need_tools() {
  command -v dotnet >/dev/null || fail "The .NET SDK 10 is missing. Install it and start again."
  dotnet --version >/dev/null 2>&1 || fail "The .NET SDK that global.json asks for is missing. Install .NET SDK 10 and start again."
  command -v node >/dev/null || fail "Node.js 20 is missing. Install it and start again."
}

export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1

# build_web: installs exactly what the lock file names and builds the front end, when something changed.
build_web() {
  local stamp="$root/web/dist/.built" now
  now=$(cd "$root/web" && find src public symbols index.html package-lock.json vite.config.ts tsconfig.json -type f 2>/dev/null | LC_ALL=C sort | xargs sha256sum | sha256sum)
  if [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ]; then return; fi
  say "Building the front end ..."
  (cd "$root/web" && { [ -d node_modules ] && [ node_modules/.package-lock.json -nt package-lock.json ] || npm ci --ignore-scripts --no-audit --no-fund --loglevel=error; } && npm run --silent build) >/tmp/blueslate-web.log 2>&1 \
    || { cat /tmp/blueslate-web.log >&2; fail "The front end could not be built."; }
  printf '%s' "$now" > "$stamp"
}

# hash_of FOLDER...: of the C# sources in these folders, and of what all of them are built with.
hash_of() {
  (cd "$root" && find "$@" symbols web/src/geometry/advances.json global.json Directory.*.props -type f -not -path '*/bin/*' -not -path '*/obj/*' | LC_ALL=C sort | xargs sha256sum | sha256sum)
}

# build_server: restores exactly what the lock files name and builds for release, when something changed.
build_server() {
  local stamp="$root/src/BlueSlate.Server/obj/.built" now
  now=$(hash_of src)
  if [ -f "$server_dll" ] && [ -f "$stamp" ] && [ ! "$server_dll" -nt "$stamp" ] && [ "$(cat "$stamp")" = "$now" ]; then return; fi
  say "Building the server ..."
  { dotnet restore "$root/src/BlueSlate.Server" --locked-mode && dotnet build "$root/src/BlueSlate.Server" -c Release --no-restore -warnaserror; } >/tmp/blueslate-build.log 2>&1 \
    || { tail -30 /tmp/blueslate-build.log >&2; fail "The server could not be built."; }
  printf '%s' "$now" > "$stamp"
}

server_dll="$root/src/BlueSlate.Server/bin/Release/net10.0/BlueSlate.Server.dll"

# build_cli: the same for the command line, compiled ahead for this machine.
build_cli() {
  local stamp="$root/src/BlueSlate.Cli/obj/.published" now
  now=$(hash_of src/BlueSlate.Cli src/BlueSlate.Core src/BlueSlate.Drafting src/BlueSlate.Guide src/BlueSlate.Scenarios)
  if [ -f "$cli_dll" ] && [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ]; then return; fi
  { dotnet restore "$root/src/BlueSlate.Cli" --locked-mode && dotnet publish "$root/src/BlueSlate.Cli" -c Release --no-restore -r "linux-$([ "$(uname -m)" = aarch64 ] && echo arm64 || echo x64)" --no-self-contained -o "$(dirname "$cli_dll")"; } >/tmp/blueslate-cli.log 2>&1 \
    || { tail -20 /tmp/blueslate-cli.log >&2; fail "The command line could not be built."; }
  printf '%s' "$now" > "$stamp"
}

cli_dll="$root/src/BlueSlate.Cli/bin/published/blueslate.dll"

# free_port: a port on loopback that nothing listens on.
free_port() {
  node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

port_is_taken() {
  (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null
}

# data_folder: where ./start keeps its cluster, logs and backups.
data_folder() {
  if [ -n "${BLUESLATE_DATA:-}" ]; then
    printf '%s' "$BLUESLATE_DATA"
  else
    local id; id=$(printf '%s' "$root" | sha256sum | cut -c1-12)
    if [ "$(id -u)" = 0 ]; then printf '%s' "/var/lib/blueslate/$id"; else printf '%s' "${XDG_STATE_HOME:-$HOME/.local/state}/blueslate/$id"; fi
  fi
}
