#!/usr/bin/env bash
# Takes a picture of what a command prints in a terminal window: terminal-shot.sh FILE.png COMMAND…
# Needs the Debian packages xvfb, xterm and imagemagick.
set -euo pipefail
out=$1
shift
display=:$((RANDOM % 500 + 100))
Xvfb "$display" -screen 0 1280x800x24 >/dev/null 2>&1 &
server=$!
trap 'kill $server' EXIT
sleep 1
DISPLAY=$display xterm -geometry 159x${ROWS:-47}+0+0 -fa 'DejaVu Sans Mono' -fs 10 -bg '#101820' -fg '#e8e6e1' \
  -xrm 'XTerm*color1: #ff6b5e' -xrm 'XTerm*color9: #ff6b5e' -xrm 'XTerm*color2: #7fd18b' -xrm 'XTerm*color3: #f0c05a' \
  -e bash -c "$* ; touch '$out.done'; sleep 30" &
window=$!
for _ in $(seq 1 600); do [ -e "$out.done" ] && break; sleep 0.2; done
sleep 0.7
DISPLAY=$display import -window root "$out"
rm -f "$out.done"
kill $window 2>/dev/null || true
