# Keeps processes running, by runit: each part has a folder in var/services with its command, and a `runsv` that starts it
# again when it ends; `runsvdir` does the same for each `runsv`, and the part `supervision` for `runsvdir`. Sourced.

SERVICES=$VAR/services

# When a process began, in ticks since the machine did (proc(5)): nothing for one that has ended, or only waits to be taken
# note of. A pid alone says little, since another program may have it by now.
began_at() { sed -E 's/^.*\) //' "/proc/$1/stat" 2> /dev/null | awk '$1 != "Z" && $1 != "X" { print $20 }'; }

# Whether the process that was launched under this name still runs.
is_alive() {
    local pid began
    read -r pid began 2> /dev/null < "$RUN/$1.pid" && [ -n "$began" ] && [ "$(began_at "$pid")" = "$began" ]
}

# The group of the process that was launched under this name: while anything of it runs, no other group can have its number.
# Empty where that number is another's by now.
group_of() {
    local pid began now
    read -r pid began 2> /dev/null < "$RUN/$1.pid" || return 0
    now=$(began_at "$pid")
    [ -n "$began" ] && { [ -z "$now" ] || [ "$now" = "$began" ]; } || return 0
    ! pgrep -g "$pid" -r R,S,D,T,I > /dev/null || printf '%s' "$pid"
}

# What runs under this name of this installation, whatever stands in its pid file: each carries the name in its environment, or,
# where it has written over that as nginx does, has our log for what it prints.
those_of() {
    {
        grep -lzsx "CAIRNFIELD_PART=$RUN/$1" /proc/[0-9]*/environ
        find /proc/[0-9]*/fd/[12] -maxdepth 0 -lname "$LOGS/$1.log" 2> /dev/null | cut -d / -f 1-3 | sort -u | while read -r process; do
            grep -qzs '^CAIRNFIELD_PART=' "$process/environ" || printf '%s/\n' "$process"
        done
    } | cut -d / -f 3 | sort -un
}

# signal_all SIGNAL NAME: whatever is known to run under this name.
signal_all() {
    local group left
    group=$(group_of "$2")
    [ -z "$group" ] || kill "-$1" -- "-$group" 2> /dev/null
    left=$(those_of "$2")
    [ -z "$left" ] || kill "-$1" $left 2> /dev/null
}

runs_still() { [ -n "$(group_of "$1")$(those_of "$1")" ]; }

# What is left of one whose master was killed.
clear_left() { signal_all KILL "$1"; }

remember_pid() { printf '%s %s\n' "$2" "$(began_at "$2")" > "$RUN/$1.pid"; }

# launch NAME COMMAND...: is kept running from now on, with the settings that are exported here.
launch() {
    local name=$1 setting
    shift
    mkdir -p "$SERVICES"
    clear_left "$name"
    (
        umask 077
        {
            printf '#!/usr/bin/env bash\nexec >> %q 2>&1 < /dev/null\n' "$LOGS/$name.log"
            for setting in $(compgen -e | grep -E '^(CAIRNFIELD|APP|STANDIN)_'); do
                [ "$setting" = CAIRNFIELD_PART ] || printf 'export %s=%q\n' "$setting" "${!setting}"
            done
            printf 'exec %q %q' "$ROOT/bin/support/run-part" "$name"
            printf ' %q' "$@"
            printf '\n'
        } > "$SERVICES/.$name.run"
        chmod +x "$SERVICES/.$name.run"
    )
    begin_supervision
    prepare_part "$name"
    mv "$SERVICES/.$name.run" "$SERVICES/$name/run"
    wait_until "The supervision of $name" 20 has_supervisor "$name"
    rm -f "$SERVICES/$name/down"
    sv up "$SERVICES/$name" > /dev/null
    wait_until "$name" 20 is_alive "$name"
}

has_supervisor() { sv status "$SERVICES/$1" 2> /dev/null | grep -qE '^(run|down|finish): '; }

# A part that is not to run yet.
prepare_part() {
    [ ! -e "$SERVICES/$1/run" ] || return 0
    mkdir -p "$SERVICES/$1"
    touch "$SERVICES/$1/down"
    printf '#!/bin/sh\nexec sleep infinity\n' > "$SERVICES/$1/run"
    chmod +x "$SERVICES/$1/run"
}

# What a start begins with: after an unclean stop, what still runs is kept running, and everything else waits for its turn.
start_supervision() {
    local name
    mkdir -p "$SERVICES" "$RUN" "$LOGS"
    for name in $(every_part); do
        prepare_part "$name"
        is_alive supervisor || touch "$SERVICES/$name/down"
        ! is_alive "$name" || rm -f "$SERVICES/$name/down"
    done
    begin_supervision
    is_alive supervision || launch supervision "$ROOT/bin/support/keep-supervision"
}

# Once: a start and the part `supervision` may come to it at the same moment.
begin_supervision() {
    is_alive supervisor && return 0
    mkdir -p "$SERVICES"
    exec 8> "$RUN/supervisor.lock"
    flock 8
    if ! is_alive supervisor; then
        # Each `runsv` that has lost its supervisor holds its part's folder; the part itself runs on, and is waited for.
        clear_left supervisor
        # Locks are not theirs.
        CAIRNFIELD_PART=$RUN/supervisor setsid runsvdir -P "$SERVICES" >> "$LOGS/supervisor.log" 2>&1 < /dev/null 7>&- 8>&- &
        remember_pid supervisor $!
    fi
    exec 8>&-
}

stop_services() {
    local name deadline
    for name in "$@"; do
        [ ! -d "$SERVICES/$name" ] || { touch "$SERVICES/$name/down"; sv down "$SERVICES/$name" > /dev/null 2>&1; }
    done
    for name in "$@"; do
        signal_all TERM "$name"
    done
    deadline=$(($(date +%s) + 20))
    for name in "$@"; do
        while runs_still "$name"; do
            if [ "$(date +%s)" -ge $deadline ]; then
                clear_left "$name"
                break
            fi
            sleep 0.1
        done
        rm -f "$RUN/$name.pid"
    done
}

end_supervision() {
    stop_services supervision
    ! is_alive supervisor || signal_all HUP supervisor
    signal_all TERM supervisor
    local wait
    for wait in $(seq 50); do
        [ -n "$(those_of supervisor)" ] || break
        sleep 0.1
    done
    clear_left supervisor
    rm -f "$RUN/supervisor.pid"
}

# One start or stop at a time; another waits for it.
lock_starting() {
    mkdir -p "$RUN"
    exec 7> "$RUN/starting.lock"
    flock -n 7 || { say 'Another start or stop is at work; waiting for it …'; flock -w 600 7 || fail 'It is still at work.'; }
}

unlock_starting() { exec 7>&-; }
