/** Search among very many jobs: lines as the triggers of the database make them, and how long questions take. */
import { spawnSync } from "node:child_process";
import { askedMs, cookieOf } from "./asking.mjs";
import { Failure } from "./fail.mjs";
import { postgresFolder } from "./machine.mjs";

const ROUNDS = 6;

/** Titles, customers and words of invented jobs, in the database's own language: as many as are asked for. */
const fill = (jobs) => `
  select keep_search_entry('job', 'n' || i, title, about, title || ' · ' || about || ' · ' || rest,
    now() - i * interval '7 minutes')
  from generate_series(1, ${jobs}) i, lateral (select
    (array['Light bar', 'Two pods', 'Tail lamps', 'Brake flasher', 'Horn and turn lamps', 'Reverse lamp'])[1 + i % 6]
      || ' ' || (array['Petrel', 'Carrick', 'Midge', 'Porter', 'Fellrunner', 'Ostrel'])[1 + (i / 7) % 6]
      || ' ' || (i % 900) as title,
    (array['Scar', 'Brook', 'Hill', 'Fen', 'Moor', 'Kirk', 'Thorn', 'Ash'])[1 + (i / 3) % 8]
      || ' ' || substr(md5(i::text), 1, 6)
      || ' ' || (array['Farm', 'Rescue', 'Club', 'Dairy', 'Park'])[1 + i % 5] as about,
    'left pod · right pod · bar switch with tell-tale · relay 40 A with socket · note ' || md5((i * 3)::text)
      || ' · lamp stud · rider seat, heated seat plug · trunk lid · battery, under the seat' as rest) as made;
  analyze search_entry;
  analyze search_word;`;

export function fillSearch(database, jobs) {
  const psql = `${postgresFolder()}/psql`;
  const { status, stderr } = spawnSync(
    psql,
    [database, "-q", "-o", "/dev/null", "-c", fill(jobs)],
    {
      encoding: "utf8",
    },
  );
  if (status !== 0) throw new Failure(`The jobs could not be made up: ${stderr}`);
}

/** Each question some times, one after the other; the first time of each is not counted. */
export async function searchTimes(url, questions) {
  const cookie = await cookieOf(url);
  const times = [];
  for (let round = 0; round <= ROUNDS; round += 1) {
    for (const question of questions) {
      const ms = await askedMs(url, `/api/search?q=${encodeURIComponent(question)}`, cookie);
      if (round > 0) times.push(ms);
    }
  }
  times.sort((a, b) => a - b);
  return { p95Ms: times[Math.floor(0.95 * times.length)] };
}
