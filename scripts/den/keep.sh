# Keeping the data: reset, backup, restore.

# A backup is the dump, packed, with the tables' checksums at its end, so that a restore can prove itself.
CHECKSUM_MARK='-- glow den checksums '

den_reset() {
  if [ "${1:-}" != --yes ]; then
    read -r -p "This throws away all visits, frames, findings under $DEN_DATA. Type yes to go on: " answer
    [ "$answer" = yes ] || fail "Nothing was changed."
  fi
  app_pid >/dev/null && fail "Stop Glow Den first: ./den stop"
  db_stop
  rm -rf "$DB_DIR" "$DB_DIR.new" "$DB_SECRET" "$DEN_DATA/database.port" "$DEN_DATA/new"
  say "The data is gone; ./den start begins anew."
}

# table_checksums DATABASE: one line a table.
table_checksums() {
  local tables
  tables=$(db_client -N -e "SELECT GROUP_CONCAT('\`', table_schema, '\`.\`', table_name, '\`' ORDER BY table_name) FROM information_schema.tables WHERE table_schema = '$1'")
  [ "$tables" != NULL ] || return 0
  db_client -N -e "CHECKSUM TABLE $tables EXTENDED" | sed "s/^$1\\.//"
}

# Runs the rest with the database up, and leaves it as it was found.
with_database() {
  local was_up=no
  db_pid >/dev/null && was_up=yes
  db_start
  local result=0
  "$@" || result=$?
  [ "$was_up" = yes ] || db_stop
  return "$result"
}

den_backup() {
  local file=${1:-}
  [ -n "$file" ] || fail "Name the file to write: ./den backup FILE"
  [ -d "$DB_DIR/mysql" ] || fail "There is no data yet; ./den start makes some."
  with_database write_backup "$file"
}

write_backup() {
  local file=$1 sums
  # One consistent moment; a write between dump and checksums would show as a difference below, and is tried again.
  for _ in 1 2 3; do
    sums=$(table_checksums glowden)
    (
      set -o pipefail
      { db_dump --single-transaction --hex-blob --skip-dump-date glowden && printf '%s%s\n' "$CHECKSUM_MARK" "$(printf '%s' "$sums" | base64 -w0)"; } | gzip -c >"$file.part"
    ) || { rm -f "$file.part"; fail "The backup could not be written to $file."; }
    if load_verified "$file.part" glowden_check; then
      db_client -e "DROP DATABASE glowden_check"
      chmod 600 "$file.part"
      mv "$file.part" "$file"
      say "Backup written and read back: $file ($(du -h "$file" | cut -f1))."
      return
    fi
  done
  rm -f "$file.part"
  fail "The backup did not read back as it was written; nothing was kept."
}

# load_verified FILE DATABASE: reads a backup into a fresh database and compares every table's checksum.
load_verified() {
  local file=$1 database=$2 line
  gzip -t "$file" 2>/dev/null || { say "$file is damaged or no backup." >&2; return 1; }
  line=$(gzip -dc "$file" | tail -n 1)
  case "$line" in "$CHECKSUM_MARK"*) ;; *) say "$file is not a whole backup of Glow Den." >&2; return 1 ;; esac
  db_client -e "DROP DATABASE IF EXISTS $database; CREATE DATABASE $database CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci"
  gzip -dc "$file" | db_client --max-allowed-packet=64M "$database" || return 1
  [ "$(table_checksums "$database")" = "$(printf '%s' "${line#"$CHECKSUM_MARK"}" | base64 -d)" ]
}

den_restore() {
  local file=${1:-}
  [ -f "$file" ] || fail "There is no file ${file:-}: ./den restore FILE"
  app_pid >/dev/null && fail "Stop Glow Den first: ./den stop"
  need_packages
  need_bundle
  with_database read_backup "$file"
}

read_backup() {
  local file=$1 table
  # The old data stays until the new is proven; then tables change places in one statement.
  load_verified "$file" glowden_restored || { db_client -e "DROP DATABASE IF EXISTS glowden_restored"; fail "$file could not be restored; your data is as it was."; }
  local moves="" tables
  db_client -e "DROP DATABASE IF EXISTS glowden_before; CREATE DATABASE glowden_before"
  tables=$(db_client -N -e "SELECT table_name FROM information_schema.tables WHERE table_schema = 'glowden'")
  for table in $tables; do moves="$moves, glowden.\`$table\` TO glowden_before.\`$table\`"; done
  tables=$(db_client -N -e "SELECT table_name FROM information_schema.tables WHERE table_schema = 'glowden_restored'")
  for table in $tables; do moves="$moves, glowden_restored.\`$table\` TO glowden.\`$table\`"; done
  db_client -e "SET foreign_key_checks = 0; RENAME TABLE ${moves#, }; DROP DATABASE glowden_before; DROP DATABASE glowden_restored"
  rm -f "$DEN_DATA/new"
  db_migrate
  say "Restored from $file."
}
