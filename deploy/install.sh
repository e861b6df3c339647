#!/bin/sh
# Puts this Mauvaise in /opt/mauvaise, or a newer one over an older, after a copy of the data. Run it as root where it was unpacked.
set -eu
cd "$(dirname "$0")"
[ "$(id -u)" = 0 ] || { echo "Run this as root: it makes a user and a service." >&2; exit 1; }
id mauvaise >/dev/null 2>&1 || useradd --system --home-dir /var/lib/mauvaise --shell /usr/sbin/nologin mauvaise
if [ -x /opt/mauvaise/app/Mauvaise.Web ] && [ -f /var/lib/mauvaise/mauvaise.db ]; then
  (cd /opt/mauvaise/app && runuser -u mauvaise -- ./Mauvaise.Web backup --Data /var/lib/mauvaise)
fi
if command -v systemctl >/dev/null; then systemctl stop mauvaise 2>/dev/null || true; fi
mkdir -p /opt/mauvaise
rm -rf /opt/mauvaise/app.new
cp -r app /opt/mauvaise/app.new
rm -rf /opt/mauvaise/app
mv /opt/mauvaise/app.new /opt/mauvaise/app
install -d -m 0700 -o mauvaise -g mauvaise /var/lib/mauvaise
if command -v systemctl >/dev/null; then
  install -m 0644 mauvaise.service /etc/systemd/system/mauvaise.service
  systemctl daemon-reload
  systemctl enable --now mauvaise
  echo "Mauvaise runs. Its first code: journalctl -u mauvaise -o cat"
else
  echo "Installed in /opt/mauvaise. There is no systemd here: start /opt/mauvaise/app/Mauvaise.Web --AtHome true --Data /var/lib/mauvaise as the user mauvaise."
fi
