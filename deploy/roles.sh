#!/bin/bash
# The two roles: the owner of the tables, and the application's, which sees the rows of one club at a time.
set -euo pipefail
psql -v ON_ERROR_STOP=1 -U "$POSTGRES_USER" -d postgres \
  -v owner_password="$OWNER_PASSWORD" -v app_password="$APP_PASSWORD" <<'SQL'
CREATE ROLE field_anchor_owner LOGIN PASSWORD :'owner_password';
CREATE ROLE field_anchor LOGIN PASSWORD :'app_password';
CREATE DATABASE field_anchor OWNER field_anchor_owner ENCODING 'UTF8' LC_COLLATE 'C' LC_CTYPE 'C.UTF-8' TEMPLATE template0;
\c field_anchor
ALTER SCHEMA public OWNER TO field_anchor_owner;
SQL
