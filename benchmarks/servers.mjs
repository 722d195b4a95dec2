// Two servers on one database: how long until an event made on one is on a browser's stream of the other.
import { signIn, startServer, stopServers } from './lib/servers.mjs';
import { heldMs } from './lib/goals.mjs';

const GOAL_MS = 500;
const TIMES = 60;
try {
  const one = (await startServer('yes')).base;
  const two = (await startServer('no')).base;
  const cookie = await signIn(one);
  const headers = { cookie, 'content-type': 'application/json' };
  const floor = await (await fetch(`${one}/api/floor`, { headers })).json();
  const job = floor.jobs.find((j) => j.place === 'C').id;
  const waits = new Map();
  const stream = await fetch(`${two}/api/live`, { headers });
  const reader = stream.body.getReader();
  void (async () => {
    let text = '';
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      text += Buffer.from(value).toString();
      const lines = text.split('\n');
      text = lines.pop();
      for (const l of lines.filter((x) => x.startsWith('data: {')))
        waits.get(JSON.parse(l.slice(5)).seq)?.(performance.now());
    }
  })();
  let seen = (await (await fetch(`${one}/api/jobs/${job}`, { headers })).json()).events.length;
  const took = [];
  const baseline = [];
  for (let i = 0; i < TIMES; i += 1) {
    const command = { type: 'note', text: `n${i}` };
    const heard = new Promise((resolve) => waits.set(seen + 1, resolve));
    const from = performance.now();
    const answer = await fetch(`${one}/api/jobs/${job}/commands`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ id: crypto.randomUUID(), seen, at: new Date().toISOString(), device: 'b', command }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    baseline.push(performance.now() - from);
    took.push((await heard) - from);
    seen += 1;
  }
  const at = (list, p) => list.sort((a, b) => a - b)[Math.floor(p * list.length)];
  const late = at(took, 0.95);
  console.log(`baseline: the command's own answer: median ${at(baseline, 0.5).toFixed(1)} ms`);
  heldMs(
    `an event of one server on a stream of the other, 95 % (median ${at(took, 0.5).toFixed(1)} ms)`,
    late,
    GOAL_MS,
    1,
  );
} finally {
  stopServers();
}
process.exit();
