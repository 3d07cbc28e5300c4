# The halves of bin/restore that work from the vault. Sourced by it.

load_env
make_folders
vault_named || die 'No vault is named; set VICISSA_VAULT in .env (docs/operations.md).'
install_packages "${DEBIAN_VAULT[@]}"
make_vault

# A cluster of its own beside the one that is there, to which nobody comes over the network.
SCRATCH=$VAR/scratch
# Its path is short and has no space, whatever ours has.
SOCKET=$(mktemp -d)
scratch_psql() { as "$DB_AS" "$PG_BIN/psql" -X -q -At -v ON_ERROR_STOP=1 -h "$SOCKET" -p 5432 -U vicissa_admin "$@"; }
stop_scratch() { as "$DB_AS" "$PG_BIN/pg_ctl" -D "$SCRATCH/pg" -m immediate -w -t 20 stop >/dev/null 2>&1 || true; }
clear_scratch() { stop_scratch; rm -rf "$SCRATCH" "$SOCKET"; }

# 0: it runs and has come as far as was asked for; 3: the archive ends before that.
rewind() { # rewind OPTIONS OF THE TOOL…
    clear_scratch
    mkdir -p "$SCRATCH/pg" "$SOCKET"
    chmod 700 "$SCRATCH/pg" "$SOCKET"
    echo 'local all all trust' >"$SCRATCH/hba"
    [ "$(id -u)" != 0 ] || chown -R "$DB_AS": "$SCRATCH" "$SOCKET"
    base restore --pg1-path="$SCRATCH/pg" "$@" >"$SCRATCH/said" 2>&1 || { tail -n 3 "$SCRATCH/said" >&2; die 'The vault could not be read; what is there is untouched.'; }
    as "$DB_AS" "$PG_BIN/pg_ctl" -D "$SCRATCH/pg" -w -t 3600 -l "$SCRATCH/pg/rewind.log" \
        -o "-c listen_addresses='' -c unix_socket_directories='$SOCKET' -c port=5432 -c hba_file='$SCRATCH/hba' -c archive_mode=off" start >/dev/null 2>&1 8>&- 9>&- || true
    # It answers before it has come to its end; only then can it be written to.
    while as "$DB_AS" "$PG_BIN/pg_ctl" -D "$SCRATCH/pg" status >/dev/null 2>&1; do
        [ "$(scratch_psql -d postgres -c 'select pg_is_in_recovery()' 2>/dev/null)" != f ] || return 0
        sleep 0.3
    done
    ! grep -q 'recovery ended before configured recovery target was reached' "$SCRATCH/pg/rewind.log" || return 3
    tail -n 5 "$SCRATCH/pg/rewind.log" >&2
    die 'What lay in the vault could not be brought up; what is there is untouched.'
}

sums() { # sums HOST PORT [ARGUMENTS…]
    local host=$1 port=$2; shift 2
    APP_CONFIG_CACHE=/nonexistent DB_HOST=$host DB_PORT=$port DB_OWNER_USERNAME=vicissa_admin DB_OWNER_PASSWORD=$(keep_secret admin) php artisan vicissa:sums "$@"
}

# The photos of a moment: those of the last time before it, and what the first time after it had beside.
bring_photos() { # bring_photos MOMENT FOLDER
    local one; mkdir -p "$2"
    [ "$(id -u)" != 0 ] || chown "$DB_AS": "$2"
    shots --no-lock snapshots --host vicissa --json | php -r '
        $shots = json_decode(stream_get_contents(STDIN), true) ?: [];
        usort($shots, fn($a, $b) => strtotime($a["time"]) <=> strtotime($b["time"]));
        $before = array_filter($shots, fn($one) => strtotime($one["time"]) < (int) $argv[1]);
        $after = array_filter($shots, fn($one) => strtotime($one["time"]) >= (int) $argv[1]);
        foreach (array_filter([end($before), reset($after)]) as $one) echo $one["short_id"], "\n";' -- "$1" >"$SCRATCH/shots" || return 1
    while read -r one; do shots --no-lock restore "$one" --target "$2" || return 1; done <"$SCRATCH/shots"
}

check() {
    port_open "$DB_PORT" || die 'The database does not answer; start Vicissa first (bin/start).'
    exec 8>"$VAR/run/restore.lock"
    flock -n 8 || die 'A restore is tried already.'
    trap clear_scratch EXIT
    local mark from start=$SECONDS work=$VAR/vault/drill
    # Settled before the mark: from a base that is written after it there would be no way back to it.
    from=$(last_base 'echo $base["label"];') || die 'There is no base in the vault yet (bin/vault now).'
    mark=drill-$(date -u +%Y%m%dT%H%M%S)
    rm -rf "$work" && mkdir -p "$work"
    sums 127.0.0.1 "$DB_PORT" --mark="$mark" >"$work/there" || die 'What is there could not be added up.'
    # Ends the file of changes that holds the mark, and waits until it lies in the vault.
    base check >"$work/said" 2>&1 || { tail -n 2 "$work/said" >&2; die 'The changes of the last minute did not reach the vault.'; }
    base verify --output=text --verbose >"$work/said" 2>&1 && grep -qx 'status: ok' "$work/said" || { grep -E "invalid: [1-9]|missing: [1-9]|ERROR" "$work/said" | head -n 3 >&2 || true; die 'What lies in the vault is not what was put there.'; }
    # Whatever keeps a change from being fetched looks like the end of all of them: twice is no accident.
    rewind --set="$from" --type=name --target="$mark" --target-action=promote || rewind --set="$from" --type=name --target="$mark" --target-action=promote || die 'The mark that was set is not in the vault.'
    sums "$SOCKET" 5432 >"$work/again" || die 'What was brought back could not be added up.'
    diff "$work/there" "$work/again" >"$work/differs" || { head -n 4 "$work/differs" >&2; die 'What was brought back is not what was there.'; }
    unlock_shots
    shots check --read-data >"$work/said" 2>&1 || { tail -n 2 "$work/said" >&2; die 'Photos in the vault are damaged.'; }
    vault_did photos vault_photos || die 'The photos did not reach the vault.'
    bring_photos "$(date +%s)" "$SCRATCH/photos" || die 'The photos could not be brought back.'
    # Those the database speaks of, at their size; what has been taken away since is no fault.
    local photos=0 path bytes
    while IFS='|' read -r path bytes; do
        if [ "$(stat -c %s "$SCRATCH/photos/photos/$path" 2>/dev/null)" = "$bytes" ]; then photos=$((photos + 1))
        elif [ -f "$VAR/storage/photos/$path" ]; then die "The photo $path did not come back as it is."; fi
    done < <(scratch_psql -d "$DB_DATABASE" -c "select workspace_id || '/' || id || '.jpg', bytes from photos")
    say "Brought back and compared: $(wc -l <"$work/there") tables, $(awk '{ n += $2 } END { print n + 0 }' "$work/there") rows, $photos photos, in $((SECONDS - start)) s."
    rm -rf "$work"
}

at() { # at MOMENT [--yes]
    local moment stamp answer
    moment=$(date -d "${1:?}" +%s 2>/dev/null) || die "No moment: $1. Say it as 2026-11-25 14:30."
    [ "$moment" -le "$(date +%s)" ] || die "$(date -d "@$moment" '+%F %T %Z') is still to come."
    stamp=$(date -u -d "@$moment" '+%F %T+00')
    exec 9>"$VAR/run/start.lock"
    flock -n 9 || die 'Vicissa is running; stop it first (Ctrl-C where it runs).'
    if [ "${2:-}" != --yes ]; then
        read -r -p "Everything is put back to $(date -d "@$moment" '+%F %T %Z'). What came after it is kept beside, in $VAR. Type yes to go on: " answer
        [ "$answer" = yes ] || die 'Nothing was changed.'
    fi
    # A drill that was ended with Vicissa still clears away what is ours from here on.
    exec 8>"$VAR/run/restore.lock"
    flock -w 120 8 || die 'A drill is still going on; try again when it has ended.'
    export DB_OWNER_PASSWORD; DB_OWNER_PASSWORD=$(keep_secret owner)
    trap 'clear_scratch; stop_database' EXIT
    # Whatever was written last lies in the vault as soon as a cluster that stands still is stopped in good order.
    if [ -f "$VAR/pg/PG_VERSION" ] && ! database_runs; then (start_database && stop_database) 2>/dev/null || say 'What is there does not start any more; the vault has all but its last minute.'; fi
    local code=0
    rewind --type=time --target="$stamp" --target-action=promote || code=$?
    if [ "$code" = 3 ]; then code=0; rewind --type=time --target="$stamp" --target-action=promote || code=$?; fi
    if [ "$code" = 3 ]; then
        # Nothing was written after the moment: all there is, is what was then.
        say 'Nothing was written after that moment; all of the vault is taken.'
        rewind --type=default || die 'What lay in the vault could not be brought up; what is there is untouched.'
        [ "$(scratch_psql -d postgres -c "select coalesce(pg_last_xact_replay_timestamp(), '-infinity') <= to_timestamp($moment)")" = t ] \
            || die 'More was found the second time than the first; what is there is untouched. Try again.'
    fi
    scratch_psql -d postgres <<<"alter role vicissa_admin password '$(keep_secret admin)'"
    bring_photos "$moment" "$SCRATCH/photos" || die 'The photos could not be brought back; what is there is untouched.'
    as "$DB_AS" "$PG_BIN/pg_ctl" -D "$SCRATCH/pg" -m fast -w -t 60 stop >/dev/null || die 'What was brought back could not be closed; what is there is untouched.'
    local aside; aside=$VAR/before-$(date -u +%Y%m%dT%H%M%S)
    mkdir -p "$aside"; chmod 700 "$aside"
    [ ! -d "$VAR/pg" ] || mv "$VAR/pg" "$aside/pg"
    mv "$SCRATCH/pg" "$VAR/pg"
    if [ -d "$SCRATCH/photos/photos" ]; then
        [ ! -d "$VAR/storage/photos" ] || mv "$VAR/storage/photos" "$aside/photos"
        mv "$SCRATCH/photos/photos" "$VAR/storage/photos"
    fi
    start_database
    make_database "$DB_DATABASE"
    migrate "$DB_DATABASE"
    make_folders
    # A line of its own begins here; what rests on it should not have to go over the old one.
    base backup --type=full >/dev/null 2>&1 || say 'A new base could not be written; bin/vault now does it once Vicissa runs.'
    say "Put back to $(date -d "@$moment" '+%F %T %Z'). What was there before is in $aside; take it away when it is no longer wanted. bin/start serves it."
}

if [ "$1" = --check ]; then check; else at "${2:?Say which moment: bin/restore --at '2026-11-25 14:30'}" "${3:-}"; fi
