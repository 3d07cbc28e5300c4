# Shared by bin/start, bin/test and the other scripts here. Sourced, not run.
# Sets ROOT and VAR; every function says in one sentence what went wrong and ends.

ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd -P)
VAR=${VICISSA_VAR:-$ROOT/var}
PG_BIN=/usr/lib/postgresql/15/bin
# Debian's servers lie where not every login looks.
export PATH=$PATH:/usr/local/sbin:/usr/sbin:/sbin
cd "$ROOT"

# Machine code pays where a process lives long; each that begins spends seconds of the processor on it.
MACHINE_CODE=(-d opcache.jit="${VICISSA_JIT:-function}" -d opcache.jit_buffer_size=64M)
LONG_PHP=(-d opcache.enable_cli=1 "${MACHINE_CODE[@]}")

say() { printf '\033[1m·\033[0m %s\n' "$*"; }
die() { printf '\033[1;31m✗\033[0m %s\n' "$*" >&2; exit 1; }

# Services never run as root. On a machine where we are root they run as two users that can't read each other's files.
if [ "$(id -u)" = 0 ]; then DB_AS=postgres WEB_AS=www-data; else DB_AS=$(id -un) WEB_AS=$DB_AS; fi

# Fills AS with the words that make the rest of a command run as USER.
become() { # become USER
    local user=$1
    AS=()
    [ "$(id -u)" = 0 ] || return 0
    local ids=(--reuid="$user" --regid="$(id -g "$user")" --init-groups)
    # A checkout below a folder closed to others stays readable for the services through this one capability (all others end
    # with the exec). The securebit lets access(2), by which PHP asks whether a file is there, see it too.
    [ -z "${AS_READER:-}" ] && setpriv "${ids[@]}" test -r "$ROOT/artisan" 2>/dev/null || ids+=(--securebits=+no_setuid_fixup --inh-caps=+dac_read_search --ambient-caps=+dac_read_search)
    AS=(setpriv "${ids[@]}" env HOME="$VAR/home")
    # A moved clock (bin/test --at) is shared among the processes of one user, and put on again by the next.
    [ -z "${FAKETIME:-}" ] || AS=(env -u LD_PRELOAD -u FAKETIME_SHARED "${AS[@]}" LD_PRELOAD="${LD_PRELOAD:-}")
}

as() { # as USER COMMAND…
    local AS; become "$1"; shift
    "${AS[@]}" "$@"
}

port_open() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() { # free_port FIRST
    local port=$1
    while port_open "$port"; do port=$((port + 1)); done
    echo "$port"
}

secret() { head -c 24 /dev/urandom | base64 | tr -d '/+=\n'; }

# --- what the machine needs -------------------------------------------------------------------------------------

DEBIAN_SERVE=(postgresql-15 php8.2-cli php8.2-fpm php8.2-pgsql php8.2-mbstring php8.2-xml php8.2-intl php8.2-curl php8.2-zip php8.2-gd php8.2-bcmath php8.2-apcu nginx-light libnginx-mod-http-brotli-static curl unzip)
# Without a window the shell does half the work of the whole browser.
DEBIAN_TEST=(chromium chromium-headless-shell chromium-driver pgbouncer openssl python3-aiosmtpd python3-prometheus-client)

# Only for bin/test --cluster: several machines on one.
DEBIAN_CLUSTER=(patroni etcd-server haproxy)
# Only where a vault is named (VICISSA_VAULT).
DEBIAN_VAULT=(pgbackrest restic)

missing_packages() {
    local name
    for name in "$@"; do
        [ "$(dpkg-query -W -f='${db:Status-Status}' "$name" 2>/dev/null)" = installed ] && continue
        # Any build of nginx will do; Debian's modules fit Debian's own.
        [ "$name" = nginx-light ] && command -v nginx >/dev/null && continue
        [[ $name = libnginx-* ]] && command -v nginx >/dev/null && ! dpkg-query -W nginx-common >/dev/null 2>&1 && continue
        echo "$name"
    done
}

install_packages() {
    local missing; mapfile -t missing < <(missing_packages "$@")
    [ "${#missing[@]}" = 0 ] && return
    local sudo=()
    if [ "$(id -u)" != 0 ]; then
        command -v sudo >/dev/null || die "These Debian packages are missing and only root can install them: ${missing[*]}. Run this once as root or install sudo."
        sudo=(sudo)
    fi
    say "Installing Debian packages: ${missing[*]}"
    # Keep the packages from starting services of their own; Vicissa runs its own copies.
    local policy=/usr/sbin/policy-rc.d placed=
    if [ ! -e "$policy" ]; then printf '#!/bin/sh\nexit 101\n' | "${sudo[@]}" tee "$policy" >/dev/null && "${sudo[@]}" chmod +x "$policy" && placed=1; fi
    if [ ! -e /etc/postgresql-common/createcluster.conf ]; then
        "${sudo[@]}" mkdir -p /etc/postgresql-common
        echo 'create_main_cluster = false' | "${sudo[@]}" tee /etc/postgresql-common/createcluster.conf >/dev/null
    fi
    local log; log=$(mktemp)
    if ! { "${sudo[@]}" apt-get update -qq && "${sudo[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}"; } >"$log" 2>&1; then
        [ -n "$placed" ] && "${sudo[@]}" rm -f "$policy"
        tail -n 5 "$log" >&2
        die "Debian packages could not be installed (the last lines are above, all of it is in $log)."
    fi
    [ -n "$placed" ] && "${sudo[@]}" rm -f "$policy"
    if [ -d /run/systemd/system ]; then
        local unit; for unit in nginx php8.2-fpm postgresql; do
            case " ${missing[*]} " in *" $unit"*) "${sudo[@]}" systemctl disable --quiet --now "$unit" 2>/dev/null || true ;; esac
        done
    fi
    rm -f "$log"
}

fingerprint() { # fingerprint PATH… : changes when any file below them does
    find "$@" -type f -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1
}

fresh() { # fresh NAME VALUE : has this been done for this state?
    [ "$(cat "$ROOT/var/stamps/$1" 2>/dev/null)" = "$2" ]
}

done_for() { mkdir -p "$ROOT/var/stamps"; printf '%s' "$2" >"$ROOT/var/stamps/$1"; }

install_php_libraries() {
    local print log; print=$(fingerprint composer.json)
    [ -f vendor/autoload.php ] && fresh composer "$print" && return
    command -v composer >/dev/null || install_packages composer
    say 'Installing PHP libraries (a minute or two the first time)'
    log=$(mktemp)
    COMPOSER_ALLOW_SUPERUSER=1 composer install --no-interaction --no-progress >"$log" 2>&1 || { tail -n 8 "$log" >&2; die "PHP libraries could not be installed (all of it is in $log)."; }
    # Some archives carry files that only their owner may read.
    chmod -R go+rX vendor
    rm -f "$log"
    done_for composer "$print"
}

# Said before anything is installed: it would else end in somebody else's words.
need_node() {
    local has; has=$(node -p process.versions.node 2>/dev/null) || has=
    [ -n "$has" ] || die 'Node.js 20.19 or newer is needed and was not found; install it and start again.'
    [ "$(printf '20.19\n%s\n' "$has" | sort -V | head -n 1)" = 20.19 ] || die "Node.js 20.19 or newer is needed; this one is $has."
}

install_interface_libraries() {
    local print log; print=$(fingerprint package.json package-lock.json)
    [ -d node_modules ] && fresh npm "$print" && return
    say 'Installing interface libraries'
    log=$(mktemp)
    npm ci --no-audit --no-fund --ignore-scripts >"$log" 2>&1 || { tail -n 8 "$log" >&2; die "Interface libraries could not be installed (all of it is in $log)."; }
    rm -f "$log"
    done_for npm "$print"
}

# The interface with its libraries is made beside the rest: what each waits for is mostly the network, or one processor.
begin_interface() { set -m; (install_interface_libraries && build_interface) & INTERFACE=$!; set +m; }
await_interface() { wait "$INTERFACE"; INTERFACE=; }
stop_interface() { [ -z "${INTERFACE:-}" ] || end_group "$INTERFACE"; }
make_all() { begin_interface; install_php_libraries; await_interface; }

build_interface() {
    local print log; print=$(fingerprint resources vite.config.ts package-lock.json tsconfig.json)
    [ -f public/build/manifest.json ] && [ -f public/sw.js ] && fresh interface "$print" && return
    say 'Building the interface'
    log=$(mktemp)
    (umask 022; npm run --silent build) >"$log" 2>&1 || { tail -n 20 "$log" >&2; die "The interface did not build (all of it is in $log)."; }
    rm -f "$log"
    done_for interface "$print"
}

# --- settings and folders -----------------------------------------------------------------------------------------

make_folders() {
    mkdir -p "$VAR"/{run,log,home,secrets,storage/{app,framework/{views,cache,sessions},logs},cache}
    chmod 700 "$VAR/secrets"
    if [ "$(id -u)" = 0 ]; then
        chown "$WEB_AS": "$VAR/home"
        chown -R "$WEB_AS": "$VAR/storage" "$VAR/cache"
        chmod 755 "$VAR" "$VAR/run"
        chmod 1777 "$VAR/run" "$VAR/log"
    fi
    # Socket paths are limited to 107 bytes: below a long path they move to a folder of their own under /tmp.
    RUN=$VAR/run
    if [ "${#RUN}" -gt 80 ]; then
        RUN=/tmp/vicissa-$(printf '%s' "$VAR" | sha256sum | cut -c1-10)
        mkdir -p "$RUN" && chmod 1777 "$RUN"
    fi
}

keep_secret() { # keep_secret NAME : prints it, making it once
    local file=$VAR/secrets/$1
    [ -s "$file" ] || (umask 077; secret >"$file")
    cat "$file"
}

# Settings stand in .env; a second installation of the same files names another file.
ENV_FILE=${VICISSA_ENV:-.env}

load_env() { [ -f "$ENV_FILE" ] || die 'Start Vicissa once first (bin/start).'; set -a; . "$(realpath "$ENV_FILE")"; set +a; }

write_env() {
    [ -f "$ENV_FILE" ] && return
    say "Writing $ENV_FILE with fresh secrets"
    (umask 027; sed -e "s|^APP_KEY=.*|APP_KEY=base64:$(head -c 32 /dev/urandom | base64)|" -e "s|^DB_PASSWORD=.*|DB_PASSWORD=$(secret)|" -e "s|^VICISSA_WATCH_TOKEN=.*|VICISSA_WATCH_TOKEN=$(secret)|" .env.example >"$ENV_FILE")
    [ "$(id -u)" = 0 ] && chgrp "$WEB_AS" "$ENV_FILE"
    chmod 640 "$ENV_FILE"
}

# --- the database ------------------------------------------------------------------------------------------------

psql_admin() { PGPASSWORD=${DB_ADMIN_PASSWORD:-$(keep_secret admin)} "$PG_BIN/psql" -X -q -v ON_ERROR_STOP=1 -h "${DB_HOST:-127.0.0.1}" -p "$DB_PORT" -U "${DB_ADMIN_USERNAME:-vicissa_admin}" "$@"; }

start_database() {
    if [ ! -f "$VAR/pg/PG_VERSION" ]; then
        say 'Creating the PostgreSQL cluster'
        mkdir -p "$VAR/pg"; chmod 700 "$VAR/pg"
        local pass; pass=$(mktemp); keep_secret admin >"$pass"
        [ "$(id -u)" = 0 ] && chown "$DB_AS": "$VAR/pg" "$pass"
        as "$DB_AS" "$PG_BIN/initdb" -D "$VAR/pg" -U vicissa_admin --pwfile="$pass" -A scram-sha-256 -E UTF8 --locale=C.UTF-8 >"$VAR/log/initdb.log" 2>&1 \
            || { rm -f "$pass"; tail -n 5 "$VAR/log/initdb.log" >&2; die "The PostgreSQL cluster could not be created (see $VAR/log/initdb.log)."; }
        rm -f "$pass"
    fi
    as "$DB_AS" "$PG_BIN/pg_ctl" -D "$VAR/pg" status >/dev/null 2>&1 && stop_database
    # Killed outright, its hands may live a moment longer than the head and hold the memory they shared.
    local i
    for i in $(seq 100); do pgrep -f -- "^$PG_BIN/postgres -D $VAR/pg |^postgres: .*$VAR/pg" >/dev/null || break; sleep 0.1; done
    port_open "$DB_PORT" && die "Port $DB_PORT is taken by another program; set DB_PORT in .env to a free one."
    as "$DB_AS" "$PG_BIN/pg_ctl" -D "$VAR/pg" -w -t 30 -l "$VAR/log/postgres.log" \
        -o "-c listen_addresses=127.0.0.1 -c port=$DB_PORT -c unix_socket_directories='$RUN' -c shared_buffers=128MB $(vault_options) ${PG_OPTIONS:-}" start >/dev/null 2>&1 8>&- 9>&- \
        || { tail -n 3 "$VAR/log/postgres.log" >&2; die "PostgreSQL did not start (see $VAR/log/postgres.log)."; }
}

database_runs() { local pid; pid=$(head -n 1 "$VAR/pg/postmaster.pid" 2>/dev/null) && [ -n "$pid" ] && [ -d "/proc/$pid" ]; }

stop_database() { as "$DB_AS" "$PG_BIN/pg_ctl" -D "$VAR/pg" -m fast -w -t 20 stop >/dev/null 2>&1 || true; }

make_database() { # make_database NAME
    psql_admin -d postgres <<SQL || die 'The database roles could not be created.'
do \$\$ begin
    if not exists (select from pg_roles where rolname = 'vicissa_owner') then create role vicissa_owner login; end if;
    if not exists (select from pg_roles where rolname = 'vicissa_app') then create role vicissa_app login nosuperuser nobypassrls nocreatedb nocreaterole; end if;
    -- Opens a door by a secret (the functions it owns), and does nothing else: nobody signs in as it.
    if not exists (select from pg_roles where rolname = 'vicissa_door') then create role vicissa_door nologin bypassrls; end if;
end \$\$;
set client_min_messages = warning;
grant vicissa_door to vicissa_owner;
alter role vicissa_owner password '$DB_OWNER_PASSWORD';
alter role vicissa_app password '$DB_PASSWORD';
-- Not said by each connection: what one says to a pooler, another would find.
alter role vicissa_owner set timezone = 'UTC'; alter role vicissa_owner set search_path = public;
alter role vicissa_app set timezone = 'UTC'; alter role vicissa_app set search_path = public;
SQL
    if [ -z "$(psql_admin -d postgres -Atc "select 1 from pg_database where datname = '$1'")" ]; then
        psql_admin -d postgres -c "create database \"$1\" owner vicissa_owner" || die "The database $1 could not be created."
        psql_admin -d "$1" <<SQL || die "The database $1 could not be set up."
revoke all on schema public from public;
alter schema public owner to vicissa_owner;
grant usage on schema public to vicissa_app;
alter default privileges for role vicissa_owner in schema public grant select, insert, update, delete on tables to vicissa_app;
alter default privileges for role vicissa_owner in schema public grant usage, select on sequences to vicissa_app;
SQL
    fi
    # Came later than the first databases.
    psql_admin -d "$1" <<SQL || die "The database $1 could not be set up."
grant usage, create on schema public to vicissa_door;
alter default privileges for role vicissa_owner in schema public grant select on tables to vicissa_door;
SQL
}

migrate() { # migrate DATABASE
    DB_DATABASE=$1 DB_OWNER_PASSWORD=$DB_OWNER_PASSWORD VICISSA_STORAGE=$VAR/storage php artisan migrate --database=owner --force --no-interaction >"$VAR/log/migrate.log" 2>&1 \
        || { tail -n 12 "$VAR/log/migrate.log" >&2; die "The database could not be brought up to date (see $VAR/log/migrate.log)."; }
    # Whoever begins a day's log owns it; those who serve write on in it.
    [ "$(id -u)" != 0 ] || [ ! -d "$VAR/storage/logs" ] || chown -R "$WEB_AS": "$VAR/storage/logs"
}

# --- the vault: every change as it happens, a base each night, photos each hour -----------------------------------------

vault_named() { [ -n "${VICISSA_VAULT:-}" ]; }

vault_options() {
    ! vault_named || printf "%s" "-c archive_mode=on -c archive_timeout=60 -c archive_command='pgbackrest \"--config=$VAR/vault/pgbackrest.conf\" --stanza=vicissa archive-push %p'"
}

# Settings of both tools, and folders that only their users can read.
make_vault() {
    mkdir -p "$VICISSA_VAULT"/{database,photos} "$VAR/vault/lock" "$VAR/storage/vault" 2>/dev/null || die "The vault $VICISSA_VAULT can't be written to."
    (
        umask 027
        cat >"$VAR/vault/pgbackrest.conf" <<CONF
[global]
repo1-path=$VICISSA_VAULT/database
repo1-retention-full=5
repo1-bundle=y
compress-type=zst
compress-level=3
process-max=2
start-fast=y
archive-timeout=60
log-level-file=off
log-level-console=warn
lock-path=$VAR/vault/lock
${VICISSA_VAULT_KEY:+repo1-cipher-type=aes-256-cbc
repo1-cipher-pass=$VICISSA_VAULT_KEY}
[vicissa]
pg1-path=$VAR/pg
pg1-port=$DB_PORT
pg1-socket-path=$RUN
pg1-user=vicissa_admin
CONF
        # It seals everything, also for whoever names no key: then with this one, which is no secret.
        printf '%s' "${VICISSA_VAULT_KEY:-open}" >"$VAR/vault/key"
        printf '*:*:*:vicissa_admin:%s\n' "$(keep_secret admin)" >"$VAR/vault/pgpass"
    )
    chmod 600 "$VAR/vault/pgpass"
    if [ "$(id -u)" = 0 ]; then
        chown "$DB_AS": "$VICISSA_VAULT/database" "$VAR/vault/lock" "$VAR/vault/pgbackrest.conf" "$VAR/vault/pgpass"
        chown -R "$DB_AS": "$VICISSA_VAULT/photos" "$VAR/vault/key"
        chown -R "$WEB_AS": "$VAR/storage/vault"
    fi
    chmod 700 "$VICISSA_VAULT/database" "$VICISSA_VAULT/photos"
}

base() { as "$DB_AS" env PGPASSFILE="$VAR/vault/pgpass" pgbackrest --config="$VAR/vault/pgbackrest.conf" --stanza=vicissa "$@"; } # base COMMAND… : of the database
# Not as whoever serves pages: who breaks in there reads pictures, and takes none of them out of the vault. This one may read them,
# and nothing more.
# One at a time: a drill holds all others off, and they would give up.
shots() { # shots COMMAND… : of the photos
    local AS; AS_READER=1 become "$DB_AS"
    flock -w 900 "$VAR/vault/photos.lock" "${AS[@]}" restic --no-cache --quiet -r "$VICISSA_VAULT/photos" -p "$VAR/vault/key" "$@"
}

# Prepares the vault where one is named; a database that isn't its own never gets in.
open_vault() {
    local said; said=$(mktemp)
    if ! base stanza-create >"$said" 2>&1; then
        tail -n 3 "$said" >&2
        die "The vault $VICISSA_VAULT could not be opened: it may be of another database, or sealed with another VICISSA_VAULT_KEY. Restore from it (bin/restore --at), or name an empty folder."
    fi
    [ -f "$VICISSA_VAULT/photos/config" ] || shots init >"$said" 2>&1 || { tail -n 3 "$said" >&2; die "The vault $VICISSA_VAULT could not be made ready for photos."; }
    rm -f "$said"
    # A drill that was killed outright.
    if [ -d "$VAR/scratch" ]; then as "$DB_AS" "$PG_BIN/pg_ctl" -D "$VAR/scratch/pg" -m immediate -w -t 20 stop >/dev/null 2>&1 || true; rm -rf "$VAR/scratch"; fi
}

# What was done last of each kind, for whoever watches: one file each, in the form of App\Watch\Vault.
vault_note() { # vault_note KIND OK SECONDS SAYS
    printf '{"at":"%s","ok":%s,"took_s":%d,"says":%s}\n' "$(date -u +%FT%TZ)" "$2" "$3" "$(php -r 'echo json_encode(trim($argv[1]), JSON_INVALID_UTF8_SUBSTITUTE | JSON_UNESCAPED_UNICODE);' -- "$4")" >"$VAR/storage/vault/$1.json.part"
    # Whoever comes after a failure may still ask when it last went well.
    [ "$2" != true ] || cp "$VAR/storage/vault/$1.json.part" "$VAR/storage/vault/$1-well.json"
    [ "$(id -u)" != 0 ] || chown "$WEB_AS": "$VAR/storage/vault"/*
    mv "$VAR/storage/vault/$1.json.part" "$VAR/storage/vault/$1.json"
}

# Without what a screen makes bold.
plainly() { sed 's/\x1b\[[0-9;]*m//g; s/^[·✗] //' | tr '\n' ' '; }

vault_did() { # vault_did KIND COMMAND… : does it and notes how it ended
    local kind=$1 said start=$SECONDS; shift
    said=$(mktemp)
    if ("$@") >"$said" 2>&1; then vault_note "$kind" true $((SECONDS - start)) "$(tail -n 1 "$said" | plainly)"; rm -f "$said"; return 0; fi
    vault_note "$kind" false $((SECONDS - start)) "$(tail -n 3 "$said" | plainly)"
    cat "$said" >&2
    rm -f "$said"
    return 1
}

last_base() { base info --output=json | php -r '$bases = json_decode(stream_get_contents(STDIN), true)[0]["backup"]; $base = end($bases); '"$1"; } # last_base PHP

vault_base() {
    local kind=diff
    # The first, and each Sunday's, stands by itself.
    if [ "$(date +%u)" = 7 ] || ! base info --output=json 2>/dev/null | grep -q '"type":"full"'; then kind=full; fi
    base backup --type="$kind" && last_base 'printf("%s, %.1f MB of %.1f\n", $base["label"], $base["info"]["repository"]["delta"] / 1e6, $base["info"]["size"] / 1e6);'
}

# Whoever was stopped over it left a lock behind; those of the living stay.
unlock_shots() { shots unlock >/dev/null 2>&1 || true; }

vault_photos() {
    [ -z "${S3_BUCKET:-}" ] || { echo "in the bucket $S3_BUCKET: the store keeps its own versions"; return 0; }
    unlock_shots
    (cd "$VAR/storage" && mkdir -p photos && shots backup --host vicissa --json photos) | php -r 'foreach (file("php://stdin") as $l) { $r = json_decode($l, true); if (($r["message_type"] ?? "") === "summary") echo $r["total_files_processed"], " photos, ", $r["files_new"], " new\n"; }'
    [ "${PIPESTATUS[0]}" = 0 ]
}

# As long as the database can be brought back to a moment, so can the photos of that moment.
vault_forget() { unlock_shots; shots forget --host vicissa --keep-within 42d --prune; }

vault_due() { # vault_due KIND SECONDS : whether so long has gone by since it was last done well
    local file=$VAR/storage/vault/$1-well.json
    [ ! -f "$file" ] || [ $(($(date +%s) - $(stat -c %Y "$file"))) -ge "$2" ]
}

# A base each night and at once where there is none, photos each hour, the drill each week. What went wrong is tried again in an hour.
keep_vault() {
    (
        trap - EXIT
        # A disk that is full for a while ends no keeper.
        set +e
        work=
        trap '[ -z "$work" ] || { kill -TERM -- "-$work"; wait "$work"; } 2>/dev/null; rm -f "$VAR/run/pids/keeper-vault"; exit 0' TERM INT
        # In a group of its own, so that whoever stops Vicissa need not wait until a large drill is through.
        apart() { set -m; (vault_did "$@") & work=$!; set +m; wait "$work" || { work=; return 1; }; work=; }
        while :; do
            if vault_due base 86400 || { [ "$(date +%H)" = 02 ] && vault_due base 36000; }; then apart base vault_base || true; fi
            ! vault_due photos 3600 || apart photos vault_photos || true
            if vault_due drill 604800 && [ -f "$VAR/storage/vault/base-well.json" ]; then apart drill bin/restore --check && vault_forget || true; fi
            for _ in $(seq 720); do
                ! orphaned || exit 0
                sleep 5 &
                wait $! 2>/dev/null || true
            done
        done
    ) >>"$VAR/log/vault.log" 2>&1 9>&- &
    CHILDREN+=($!)
    remember keeper-vault $!
}

# --- serving -----------------------------------------------------------------------------------------------------

CHILDREN=()
PAUSE_MOST=30

# A process is known by its number and the moment it began, so that a number given away again is nobody's.
began() { local stat; stat=$(cat "/proc/$1/stat" 2>/dev/null) || return 1; stat=${stat##*) }; set -- $stat; echo "${20}"; }

remember() { mkdir -p "$VAR/run/pids" && printf '%s %s\n' "$2" "$(began "$2")" >"$VAR/run/pids/$1"; }

is_still() { [ -n "${1:-}" ] && [ -n "${2:-}" ] && [ "$(began "$1")" = "$2" ]; }

end_group() { # end_group PID : a service with all it has started
    local i
    kill -TERM -- "-$1" 2>/dev/null || return 0
    for i in $(seq 50); do kill -0 -- "-$1" 2>/dev/null || return 0; sleep 0.1; done
    kill -KILL -- "-$1" 2>/dev/null || true
}

# Whether the script that a keeper works for is gone: its children then belong to somebody else.
orphaned() { local stat; read -r stat <"/proc/$BASHPID/stat"; stat=${stat##*) }; set -- $stat; [ "$2" != "$$" ]; }

# What an earlier start left behind when it was killed: its keepers first, so that they start nothing again.
end_leftovers() {
    local file pid since
    for file in "$VAR"/run/pids/keeper-* "$VAR"/run/pids/*; do
        [ -f "$file" ] || continue
        read -r pid since <"$file" || true
        case "$file" in
            */keeper-*) is_still "$pid" "$since" && kill -KILL "$pid" 2>/dev/null || true ;;
            # The head may be dead and its hands alive: the group is what counts. A number that was given away again leads no group of ours.
            *) if is_still "$pid" "$since" || { [ -n "$pid" ] && ! kill -0 "$pid" 2>/dev/null && kill -0 -- "-$pid" 2>/dev/null; }; then end_group "$pid"; fi ;;
        esac
        rm -f "$file"
    done
}

# Keeps a service going: what ends is started again after a pause that grows, and nothing outlives the script that asked for it.
keep() { # keep NAME USER COMMAND…
    local name=$1 AS; become "$2"; shift 2
    (
        trap - EXIT
        # A disk that is full for a while ends no keeper.
        set +e
        child=
        trap '[ -n "$child" ] && end_group "$child"; rm -f "$VAR/run/pids/$name" "$VAR/run/pids/keeper-$name"; exit 0' TERM INT
        pause=1
        while :; do
            start=$SECONDS
            setsid "${AS[@]}" "$@" &
            child=$!
            remember "$name" "$child"
            while kill -0 "$child" 2>/dev/null; do
                ! orphaned || { end_group "$child"; rm -f "$VAR/run/pids/$name"; exit 0; }
                sleep 0.5 &
                wait $! 2>/dev/null || true
            done
            # A head that was killed leaves hands that hold its port.
            end_group "$child"
            [ $((SECONDS - start)) -ge 60 ] && pause=1
            # A worker that has done its share ends by itself; that is no fault.
            if wait "$child"; then pause=1; else echo "$(date -u +%FT%TZ) $name ended; it is started again in $pause s" | tee -a "$VAR/log/restarts.log"; fi
            sleep "$pause" &
            wait $! 2>/dev/null || true
            ! orphaned || exit 0
            pause=$((pause * 2 > PAUSE_MOST ? PAUSE_MOST : pause * 2))
        done
    ) >>"$VAR/log/$name.log" 2>&1 9>&- &
    CHILDREN+=($!)
    remember "keeper-$name" $!
}

# PostgreSQL minds its own children; this minds PostgreSQL.
keep_database() {
    (
        trap - EXIT
        # A disk that is full for a while ends no keeper.
        set +e
        trap 'rm -f "$VAR/run/pids/keeper-postgres"; exit 0' TERM INT
        pause=1
        while :; do
            if orphaned; then stop_database; exit 0; fi
            if ! database_runs; then
                echo "$(date -u +%FT%TZ) PostgreSQL ended; it is started again" | tee -a "$VAR/log/restarts.log"
                if (start_database); then pause=1; else sleep "$pause"; pause=$((pause * 2 > PAUSE_MOST ? PAUSE_MOST : pause * 2)); fi
            fi
            sleep 0.5 &
            wait $! 2>/dev/null || true
        done
    ) >>"$VAR/log/postgres.log" 2>&1 9>&- &
    CHILDREN+=($!)
    remember keeper-postgres $!
}

cache_settings() {
    export APP_CONFIG_CACHE=$VAR/cache/config.php APP_ROUTES_CACHE=$VAR/cache/routes.php APP_EVENTS_CACHE=$VAR/cache/events.php VICISSA_STORAGE=$VAR/storage
    rm -f "$VAR"/cache/*.php
    # A plan is searched for from as many starts as there are cores, four at most.
    local cores; cores=$(nproc)
    export VICISSA_PLAN_STARTS=${VICISSA_PLAN_STARTS:-$((cores < 4 ? cores : 4))}
    as "$WEB_AS" php artisan config:cache >/dev/null && as "$WEB_AS" php artisan route:cache >/dev/null && as "$WEB_AS" php artisan view:cache >/dev/null \
        || die 'The settings could not be read; check .env.'
}

serve() { # serve PORT : starts everything but the database
    local port=$1
    port_open "$port" && die "Port $port is taken by another program; set VICISSA_PORT (and APP_URL) in .env to a free one."
    cat >"$VAR/run/fpm.conf" <<CONF
[global]
error_log = $VAR/log/php-fpm.log
daemonize = no
[www]
listen = $RUN/fpm.sock
listen.mode = 0600
pm = dynamic
pm.max_children = 24
pm.start_servers = 8
pm.min_spare_servers = 4
pm.max_spare_servers = 10
pm.max_requests = 2000
catch_workers_output = yes
php_admin_value[upload_max_filesize] = 600M
php_admin_value[post_max_size] = 600M
php_value[memory_limit] = 256M
; Seconds of the processor; requests have less (VICISSA_LIMIT_REQUEST_S). The other is by the clock.
php_value[max_execution_time] = 20
request_terminate_timeout = 60s
env[APP_CONFIG_CACHE] = $APP_CONFIG_CACHE
env[APP_ROUTES_CACHE] = $APP_ROUTES_CACHE
env[APP_EVENTS_CACHE] = $APP_EVENTS_CACHE
env[VICISSA_STORAGE] = $VICISSA_STORAGE
${FAKETIME:+env[FAKETIME] = $FAKETIME}
CONF
    mkdir -p "$VAR/run/nginx"; [ "$(id -u)" = 0 ] && chown "$WEB_AS": "$VAR/run/nginx"
    sed -e "s|@ROOT@|$ROOT|g; s|@VAR@|$VAR|g; s|@RUN@|$RUN|g; s|@HOST@|${VICISSA_HOST:-127.0.0.1}|g; s|@PORT@|$port|g" bin/nginx.conf >"$VAR/run/nginx.conf"
    local brotli=/usr/lib/nginx/modules/ngx_http_brotli_static_module.so
    if [ -f "$brotli" ]; then sed -i "1i load_module $brotli;" "$VAR/run/nginx.conf"; else sed -i 's/ brotli_static on;//' "$VAR/run/nginx.conf"; fi
    keep fpm "$WEB_AS" php-fpm8.2 -F -y "$VAR/run/fpm.conf" -d opcache.enable=1 -d opcache.validate_timestamps=0 -d opcache.memory_consumption=192 -d opcache.max_accelerated_files=20000 "${MACHINE_CODE[@]}" -d expose_php=0 -d apc.enabled=1 -d apc.shm_size=64M
    keep nginx "$WEB_AS" nginx -p "$VAR/run/nginx" -e "$VAR/log/nginx-error.log" -c "$VAR/run/nginx.conf"
    keep queue "$WEB_AS" php "${LONG_PHP[@]}" artisan queue:work --queue=default --sleep=1 --tries=3
    # Long work has a lane of its own: nobody's plan waits behind an archive.
    keep queue-long "$WEB_AS" php -d memory_limit=1G "${LONG_PHP[@]}" artisan queue:work --queue=long --sleep=2 --tries=1 --timeout=600
    keep scheduler "$WEB_AS" php artisan schedule:work
    local tries=0
    until curl -fsS -o /dev/null "http://127.0.0.1:$port/up" 2>/dev/null; do
        tries=$((tries + 1)); [ "$tries" -gt 100 ] && { tail -n 5 "$VAR/log/fpm.log" "$VAR/log/nginx.log" "$VAR/log/nginx-error.log" >&2; die "The health check did not answer (logs are in $VAR/log)."; }
        sleep 0.1
    done
}

stop_serving() {
    # Not the bare word: in a trap it would say again what ended the script.
    [ "${#CHILDREN[@]}" = 0 ] && return 0
    # Whoever has gone already is no reason to leave the others running.
    kill "${CHILDREN[@]}" 2>/dev/null || true
    wait "${CHILDREN[@]}" 2>/dev/null || true
    CHILDREN=()
    end_leftovers
}
