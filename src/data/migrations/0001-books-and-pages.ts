import type { Sequelize } from "sequelize";

/**
 * Books, import batches, series, their day pages, and promises. Vocabulary is closed by checks; pages follow their batch.
 * Raw SQL: a migration describes tables as they were then, whatever the models say today.
 */
const UP = `
create table books (
  id uuid primary key,
  slug text not null unique check (slug ~ '^[a-z0-9][a-z0-9-]*$'),
  site jsonb not null check (coalesce(site->>'format', '') = 'dusty-ledger/site'),
  version integer not null default 1 check (version > 0),
  is_demo boolean not null default false,
  created_at timestamptz not null default now()
);
create type import_kind as enum ('weather', 'production', 'promise');
create table import_batches (
  id integer generated always as identity primary key,
  book_id uuid not null references books on delete cascade,
  kind import_kind not null,
  file_name text not null,
  sha256 text not null check (sha256 ~ '^[0-9a-f]{64}$'),
  byte_count bigint not null check (byte_count >= 0),
  row_count integer not null check (row_count >= 0),
  value_count integer not null check (value_count >= 0),
  first_utc timestamptz,
  last_utc timestamptz check (last_utc >= first_utc),
  step_minutes integer check (1440 % step_minutes = 0),
  options jsonb not null,
  created_at timestamptz not null default now(),
  undone_at timestamptz
);
create unique index import_batches_standing on import_batches (book_id, kind, sha256) where undone_at is null;
create type series_quantity as enum (
  'ghi_w_m2', 'dni_w_m2', 'dhi_w_m2', 'poa_w_m2', 'air_temperature_c', 'wind_speed_m_s', 'rain_mm', 'snow_depth_cm', 'albedo',
  'energy_kwh', 'power_w', 'counter_kwh'
);
create table series (
  id integer generated always as identity primary key,
  book_id uuid not null references books on delete cascade,
  quantity series_quantity not null,
  meter_id text not null default '',
  step_minutes integer not null check (step_minutes between 1 and 60 and 1440 % step_minutes = 0),
  phase_minutes integer not null default 0 check (phase_minutes >= 0 and phase_minutes < step_minutes),
  unique (book_id, quantity, meter_id, step_minutes, phase_minutes)
);
create table day_pages (
  series_id integer not null references series on delete cascade,
  utc_day date not null,
  batch_id integer not null references import_batches on delete cascade,
  readings bytea not null check (octet_length(readings) between 8 and 11520 and 11520 % octet_length(readings) = 0),
  primary key (series_id, utc_day, batch_id)
) with (toast_tuple_target = 8160);
alter table day_pages alter column readings set storage main;
create index day_pages_batch on day_pages (batch_id);
comment on column day_pages.readings is 'values of the UTC day, little-endian doubles, NaN where nothing was read';
create function page_values(readings bytea) returns double precision[] language sql immutable strict as $$
  select array_agg(
    case
      when bits = x'7FF8000000000000'::bigint then 'NaN'::double precision
      when expo = 0 then 0
      else case when bits < 0 then -1 else 1 end * (1 + (bits & x'000FFFFFFFFFFFFF'::bigint) / 4503599627370496::double precision) * 2::double precision ^ (expo - 1023)
    end order by k)
  from (
    select k, bits, ((bits >> 52) & 2047)::integer as expo from (
      select k, (select sum(get_byte(readings, k * 8 + b)::bigint << (8 * b)) from generate_series(0, 6) b)::bigint
        + ((get_byte(readings, k * 8 + 7)::bigint << 56)) as bits
      from generate_series(0, octet_length(readings) / 8 - 1) k) raw) parts
$$;
create table promise_months (
  batch_id integer not null references import_batches on delete cascade,
  month integer not null check (month between 1 and 12),
  kwh double precision not null check (kwh >= 0),
  primary key (batch_id, month)
);
`;

const DOWN = `
drop table promise_months; drop function page_values; drop table day_pages; drop table series; drop type series_quantity;
drop table import_batches; drop type import_kind; drop table books;
`;

export const booksAndPages = {
  name: "0001-books-and-pages",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.transaction((transaction) => context.query(UP, { transaction }).then(() => {}));
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(DOWN);
  },
};
