// The drawing of docs/architecture.svg, made from the walls that ESLint holds the code to.

const INK = '#1d2326';
const QUIET = '#4a5358';
const SHEET = '#fffdf8';
const WASH = '#f6e9c4';
const LINE = 20;
const escaped = (text) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

/** The rooms by the row that they stand in: each above all that it may import. */
function rows(rooms) {
  const level = {};
  const of = (name) => (level[name] ??= 1 + Math.max(-1, ...rooms[name].map(of)));
  Object.keys(rooms).forEach(of);
  const out = [];
  for (const [name, l] of Object.entries(level)) (out[l] ??= []).push(name);
  return out;
}

/** Rooms that are named only because another one on the way imports them already are left out of the arrows. */
function direct(rooms, name) {
  const reached = (from) => rooms[from].flatMap((r) => [r, ...reached(r)]);
  return rooms[name].filter((r) => !rooms[name].some((other) => other !== r && reached(other).includes(r)));
}

const box = ({ x, y, w, h }, title, says, fill = SHEET) =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${fill}" stroke="${INK}" stroke-width="2"/>` +
  `<text x="${x + 12}" y="${y + 24}" font-weight="700">${escaped(title)}</text>` +
  (says ? `<text x="${x + 12}" y="${y + 24 + LINE}" font-size="13" fill="${QUIET}">${escaped(says)}</text>` : '');

const arrow = (x1, y1, x2, y2) =>
  `<path d="M${x1} ${y1}L${x2} ${y2}" stroke="${INK}" stroke-width="1.5" marker-end="url(#to)" fill="none"/>`;

/** The whole drawing as SVG: packages above, the rooms of core below, an arrow for "may import". */
export function architectureDrawing({ coreRooms, packages, wires }) {
  const width = 980;
  const at = {
    web: { x: 20, y: 20, w: 290, h: 64 },
    server: { x: 345, y: 20, w: 290, h: 64 },
    'stand-ins': { x: 670, y: 20, w: 290, h: 64 },
    contract: { x: 20, y: 150, w: 290, h: 64 },
    core: { x: 20, y: 270, w: 940, h: 0 },
  };
  const levels = rows(coreRooms);
  const room = {};
  const top = 336;
  const step = 84;
  [...levels].reverse().forEach((names, i) =>
    names.forEach((name, j) => {
      const w = 180;
      const gap = (900 - names.length * w) / (names.length + 1);
      room[name] = { x: 40 + gap + j * (w + gap), y: top + i * step, w, h: 42 };
    }),
  );
  at.core.h = top - at.core.y + levels.length * step - 22;
  const parts = [];
  for (const [name, { folder, says }] of Object.entries(packages))
    parts.push(box(at[name], folder, says, name === 'core' ? WASH : SHEET));
  for (const [name, { may }] of Object.entries(packages))
    for (const to of may) {
      // Core lies under all of them; what the contract may, those above it may through it.
      if (to === 'core' && name === 'web') continue;
      const [a, b] = [at[name], at[to]];
      const x = to === 'core' ? a.x + a.w / 2 + 60 : a.x + a.w / 2;
      if (to === 'core') parts.push(arrow(x, a.y + a.h, x, b.y - 2));
      else if (a.x === b.x) parts.push(arrow(x, a.y + a.h, x, b.y - 2));
      else parts.push(arrow(a.x + a.w / 2 - 60, a.y + a.h, b.x + b.w + 2, b.y + b.h / 2));
    }
  for (const [from, to, says] of wires) {
    const [a, b] = [at[from], at[to]];
    parts.push(
      `<path d="M${a.x + a.w} ${a.y + 32}H${b.x}" stroke="${INK}" stroke-width="2" stroke-dasharray="6 5"/>` +
        `<title>${escaped(`${from} and ${to} speak over ${says}`)}</title>`,
    );
  }
  for (const [name, r] of Object.entries(room)) parts.push(box(r, name));
  for (const name of Object.keys(coreRooms))
    for (const to of direct(coreRooms, name)) {
      const [a, b] = [room[name], room[to]];
      // Past a row between them it goes from the side, and crosses no room.
      if (b.y - a.y > step + 1) parts.push(arrow(a.x + a.w, a.y + a.h / 2, b.x + b.w / 2, b.y - 2));
      else parts.push(arrow(a.x + a.w / 2, a.y + a.h, b.x + b.w / 2, b.y - 2));
    }
  const height = at.core.y + at.core.h + 56;
  parts.push(
    `<text x="20" y="${height - 16}" font-size="13" fill="${QUIET}">A whole arrow: may import (and all that the arrow leads on to). Broken: ${escaped(wires.map(([a, b, says]) => `${a} and ${b} over ${says}`).join('; '))}.</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="system-ui, sans-serif" font-size="17" fill="${INK}" role="img"><title>Packages, rooms of core, and which may import which</title><rect width="${width}" height="${height}" fill="#f6f4ee"/><defs><marker id="to" viewBox="0 0 10 10" refX="9" refY="5" markerWidth="8" markerHeight="8" orient="auto"><path d="M0 0L10 5L0 10z" fill="${INK}"/></marker></defs>${parts.join('\n')}</svg>\n`;
}
