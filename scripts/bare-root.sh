#!/usr/bin/env bash
# Proof that `npm run demo` and `npm test` need nothing but Node and npm: runs both in a bare Debian root, made with
# debootstrap in a temporary folder, with Node copied in and this machine's package sources. Needs root. Takes the last
# commit, not the working tree. Usage: bash scripts/bare-root.sh [demo] [test]
set -euo pipefail
cd "$(dirname "$0")/.."
stages=${*:-demo test}
[ "$(id -u)" = 0 ] || { echo "Run this as root: it makes a root of its own and changes into it." >&2; exit 1; }
command -v debootstrap >/dev/null || apt-get install -y -qq debootstrap >/dev/null

root=$(mktemp -d /tmp/cairn-bare-XXXXXX)
chmod 755 "$root"

cleanup() {
  # Whatever still runs inside is ours.
  for p in /proc/[0-9]*; do [ "$(readlink "$p/root" 2>/dev/null)" = "$root" ] && kill -9 "${p#/proc/}" 2>/dev/null; done
  for m in dev/shm dev/pts dev proc sys; do umount -l "$root/$m" 2>/dev/null || true; done
  rm -rf --one-file-system "$root"
}
trap cleanup EXIT

. /etc/os-release
mirror=$(cat /etc/apt/sources.list /etc/apt/sources.list.d/*.sources /etc/apt/sources.list.d/*.list 2>/dev/null |
  grep -Eo 'https?://[^ ]*/debian/?( |$)' | head -n 1 | tr -d ' ' || true)
echo "== a bare $VERSION_CODENAME"
debootstrap --variant=minbase --include=ca-certificates "$VERSION_CODENAME" "$root" ${mirror:+"$mirror"} >"$root.log" 2>&1 ||
  { tail -n 5 "$root.log" >&2; exit 1; }
rm -f "$root.log"
for path in /etc/apt/sources.list.d /etc/apt/apt.conf.d /etc/apt/auth.conf.d /etc/apt/keyrings /etc/ssl/certs /usr/local/share/ca-certificates /etc/resolv.conf /etc/hosts /etc/npmrc /usr/etc/npmrc /root/.npmrc; do
  [ ! -e "$path" ] || mkdir -p "$root$(dirname "$path")" && { cp -aL "$path" "$root$(dirname "$path")/" 2>/dev/null || true; }
done
rm -f "$root"/etc/apt/apt.conf.d/{20packagekit,50appstream}
if [ -s /etc/apt/sources.list ]; then cp /etc/apt/sources.list "$root/etc/apt/"; else : >"$root/etc/apt/sources.list"; fi
printf '#!/bin/sh\nexit 101\n' >"$root/usr/sbin/policy-rc.d" && chmod +x "$root/usr/sbin/policy-rc.d"
mkdir -p "$root/usr/local/bin" "$root/usr/local/lib/node_modules" "$root/srv/cairn"
cp "$(readlink -f "$(command -v node)")" "$root/usr/local/bin/node"
cp -a "$(dirname "$(dirname "$(readlink -f "$(command -v npm)")")")" "$root/usr/local/lib/node_modules/npm"
ln -s ../lib/node_modules/npm/bin/npm-cli.js "$root/usr/local/bin/npm"
git archive HEAD | tar -x -C "$root/srv/cairn"
mount --bind /proc "$root/proc"
mount --bind /dev "$root/dev"
mount -t tmpfs tmpfs "$root/dev/shm"
certs=()
[ -z "${NODE_EXTRA_CA_CERTS:-}" ] || certs=("NODE_EXTRA_CA_CERTS=$NODE_EXTRA_CA_CERTS")
inside=(env -i HOME=/root LANG=C.UTF-8 "PATH=/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin" "${certs[@]}" CI=true chroot "$root")
for tool in psql chromium initdb; do
  ! "${inside[@]}" sh -c "command -v $tool" || { echo "$tool is there already: this root is not bare" >&2; exit 1; }
done
port=4391
passed=0
failed=0
told() { if [ "$2" = 0 ]; then passed=$((passed + 1)); echo "ok      $1"; else failed=$((failed + 1)); echo "FAILED  $1"; fi; }

for stage in $stages; do
  echo "== $stage"
  case $stage in
  demo)
    # Somebody who may not install is told so in one sentence, not in a stack.
    "${inside[@]}" useradd -m guest
    cp -a "$root/srv/cairn" "$root/home/guest/cairn"
    "${inside[@]}" chown -R guest: /home/guest/cairn
    said=$("${inside[@]}" setpriv --reuid guest --regid guest --clear-groups env HOME=/home/guest bash -c 'cd ~/cairn && PORT='"$port"' npm run demo 2>&1' | tail -n 2) || true
    echo "$said"
    rc=0; [[ "$said" == *"may not install packages"*"apt-get install"* ]] || rc=1; told "no right to install: one sentence" $rc
    rm -rf "$root/home/guest/cairn"

    start() {
      SECONDS=0
      setsid "${inside[@]}" bash -c "cd /srv/cairn && PORT=$port exec npm run demo" >"$root/demo.log" 2>&1 &
      demo=$!
      until grep -q 'Cairn is ready' "$root/demo.log"; do
        kill -0 "$demo" 2>/dev/null || { tail -n 20 "$root/demo.log"; return 1; }
        [ "$SECONDS" -lt 900 ] || return 1
        sleep 1
      done
      echo "ready after $SECONDS s"
    }
    answers() { "${inside[@]}" node -e 'fetch("http://127.0.0.1:'"$port"'/sign-in").then(async (r) => process.exit(r.ok && (await r.text()).includes("Cairn") ? 0 : 1), () => process.exit(1))'; }
    # As Ctrl+C does: to everything in the foreground at once.
    finish() { kill -INT -- "-$demo" 2>/dev/null || true; wait "$demo" || true; }
    left() { for p in /proc/[0-9]*; do [ "$(readlink "$p/root" 2>/dev/null)" = "$root" ] && tr '\0' ' ' <"$p/cmdline" && echo; done; return 0; }
    rc=0; start || rc=$?; told "the first start" $rc
    rc=0; answers || rc=$?; told "the address answers" $rc
    finish; sleep 1
    rest=$(left); echo "$rest"
    rc=0; [ -z "$rest" ] || rc=1; told "Ctrl+C leaves nothing running" $rc
    rc=0; start || rc=$?; told "the second start" $rc
    rc=0; [ "$SECONDS" -le 20 ] || rc=1; told "in seconds" $rc
    finish
    ;;
  test)
    SECONDS=0
    rc=0; "${inside[@]}" bash -c 'cd /srv/cairn && npm test' >"$root/test.log" 2>&1 || rc=$?
    [ "$rc" = 0 ] || tail -n 60 "$root/test.log"
    tail -n 1 "$root/test.log"
    told "npm test, $SECONDS s" $rc
    ;;
  esac
done
echo "$passed passed, $failed failed"
[ "$failed" = 0 ]
