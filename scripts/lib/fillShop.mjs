/** Copies of jobs and parts, in the database's own language: a document and what is derived of it change together. */

/** The smallest jobs that there are: most jobs of a shop are like them. */
const LIKE = `
  select document, summary, row_number() over (order by id) - 1 as nth, count(*) over () as of
  from (
    select id, document, summary from job where removed_at is null
    order by pg_column_size(document) limit 20
  ) as small`;

/** So many jobs more: one in two hundred with work left, the others handed over, some minutes apart into the past. */
export const fillJobs = (more) => `
  with likes as (${LIKE}),
  had as (select count(*) as n from job),
  named as (
    select likes.document, likes.summary, i, i % 200 = 0 as open,
      (array['Light bar', 'Two pods', 'Tail lamps', 'Brake flasher', 'Horn and turn lamps', 'Reverse lamp'])[1 + i % 6]
        || ' ' || substr(md5('t' || i), 1, 5) as title,
      (array['Scar', 'Brook', 'Hill', 'Fen', 'Moor', 'Kirk', 'Thorn', 'Ash'])[1 + (i / 3) % 8]
        || ' ' || substr(md5(i::text), 1, 6)
        || ' ' || (array['Farm', 'Rescue', 'Club', 'Dairy', 'Park'])[1 + i % 5] as customer,
      (current_date + (case when i % 200 = 0 then i / 200 % 60 else -(i % 3000) end)::int)::text as promised
    from had, generate_series(had.n + 1, had.n + ${more}) as i
    join likes on likes.nth = i % likes.of
  ),
  made as (
    insert into job (document, summary, shape, created_at, updated_at)
    select
      document || jsonb_build_object('card', document->'card' || card),
      summary || card || case when open then '{}' else
        '{"waiting": [], "needs": [], "curing": [], "work": {"fitMin": 0, "cureH": 0, "closeMin": 0, "aimMin": 0, "handOverMin": 0}}'::jsonb end,
      (select max(shape) from job), now() - i * interval '7 minutes', now() - i * interval '7 minutes'
    from named, lateral (select jsonb_build_object(
      'title', title, 'customer', customer, 'promised', promised, 'bench', '',
      'stage', case when open then 'fit' else 'handOver' end) as card) as said
    returning id
  )
  insert into job_change (job_id, revision, batch_id, edits, inverse, lines)
  select id, 1, 'open-' || id, '[]', '[]', '["job opened"]' from made`;

export const fillParts = (more) => `
  with likes as (select value, shape, row_number() over (order by id) - 1 as nth, count(*) over () as of from part)
  insert into part (id, value, shape)
  select 'fill-' || i, value || jsonb_build_object(
    'id', 'fill-' || i, 'name', (value->>'name') || ' ' || substr(md5(i::text), 1, 5)), shape
  from (select count(*) as n from part) as had, generate_series(had.n + 1, had.n + ${more}) as i
  join likes on likes.nth = i % likes.of
  on conflict (id) do nothing`;
