/** How long it takes until a page hears of what another person saved. */
import { cookieOf } from "./asking.mjs";
import { percentile } from "./reading.mjs";

const SAVES = 40;

/** From a save that is sent to the other page's word of it: 95th percentile in ms. */
export async function hearing(url) {
  const headers = { cookie: await cookieOf(url), "content-type": "application/json" };
  const read = async (path) => (await fetch(`${url}/api/${path}`, { headers })).json();
  const [{ id }] = await read("jobs");
  const first = (await read(`jobs/${id}`)).revision;
  const stop = new AbortController();
  const stream = await fetch(`${url}/api/events`, { headers, signal: stop.signal });
  const reader = stream.body.getReader();
  const words = new TextDecoder();
  let said = "";
  const took = [];
  for (let revision = first; revision < first + SAVES; revision += 1) {
    const began = performance.now();
    const edits = [{ kind: "setOnce", entity: "card", field: "title", value: `Heard ${revision}` }];
    const saved = fetch(`${url}/api/jobs/${id}/edits`, {
      method: "POST",
      headers,
      body: JSON.stringify({ baseRevision: revision, batchId: `heard-${revision}`, edits }),
    });
    while (!said.includes(`{"id":"${id}","revision":${revision + 1}}`)) {
      const { value } = await reader.read();
      said += words.decode(value);
    }
    took.push(performance.now() - began);
    const { status } = await saved;
    if (status !== 200) throw new Error(`the save of revision ${revision} was answered ${status}`);
  }
  stop.abort();
  return percentile(
    took.sort((a, b) => a - b),
    0.95,
  );
}
