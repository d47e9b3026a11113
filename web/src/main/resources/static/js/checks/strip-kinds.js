// What each strip over the frames shows: its name, its lines and blocks, and its number at the playhead.
import { fixed, trimmed } from '../common/format.js';
import { lengthText } from '../common/units.js';
import { placeText } from './found.js';

const PERCENT = 100;
const MOST_NAMED = 3;
const HEADROOM = 1.25;
const FINE_DIGITS = 3;

/**
 * @typedef {object} Drawn
 * @property {{values: number[], look?: string}[]} [lines] one number a frame
 * @property {number} [top] the value at the upper edge
 * @property {string} [scale] what the height stands for, in words
 * @property {{from: number, to: number, look: string}[]} [blocks]
 * @property {{frame: number, look: string, title: string}[]} [ticks]
 * @property {string} [says] in place of lines
 */

const most = (values) => values.reduce((a, b) => Math.max(a, b), 0);
const at = (found, values, frame) => values[Math.max(0, Math.min(values.length - 1, Math.round(frame) - found.in))];
const bad = (stretches = []) => stretches.map(({ from, to }) => ({ from, to, look: 'bad' }));

const pace = {
  name: 'Pace',
  title: 'Speed of the camera’s place',
  draw(found) {
    const top = most(found.metresPerSecond);
    return { lines: [{ values: found.metresPerSecond }], top, scale: `${trimmed(top, 2)} m/s` };
  },
  value: (found, frame) => `${fixed(at(found, found.metresPerSecond, frame), 2)} m/s`,
};

const turn = {
  name: 'Turn',
  title: 'Speed of the camera’s turn',
  draw(found) {
    const top = most(found.degreesPerSecond);
    return { lines: [{ values: found.degreesPerSecond }], top, scale: `${trimmed(top, 1)} °/s` };
  },
  value: (found, frame) => `${fixed(at(found, found.degreesPerSecond, frame), 1)} °/s`,
};

const picture = {
  name: 'Picture speed',
  title: 'How fast what stands still passes, at the near limit (dashed), in focus, and at the far limit (dotted)',
  draw(found) {
    const top = most(found.subject) * 1.4 || most(found.near);
    return {
      lines: [{ values: found.near, look: 'near' }, { values: found.far, look: 'far' }, { values: found.subject }],
      top,
      scale: `${trimmed(top * PERCENT, 2)} % of width/f`,
      blocks: bad(found.judder),
    };
  },
  value(found, frame, { asked }) {
    const widths = at(found, found.subject, frame);
    return `${fixed(widths * asked.pixels, 1)} px/f, ${fixed(widths * PERCENT, 2)} %`;
  },
};

const streak = {
  name: 'Streak',
  title: 'How long a point in focus is drawn out while the shutter is open; dashed, a point of the chosen subject',
  draw(found, { asked }) {
    const top = most(found.streak);
    const subject = found.sharpness ? [{ values: found.sharpness.streak.map((v) => v ?? 0), look: 'near' }] : [];
    return { lines: [...subject, { values: found.streak }], top, scale: `${trimmed(top * asked.pixels, 1)} px` };
  },
  value(found, frame, { asked }) {
    const px = (values) => `${fixed(at(found, values, frame) * asked.pixels, 1)} px`;
    return found.sharpness ? `${px(found.streak)}, ${px(found.sharpness.streak)}` : px(found.streak);
  },
};

const focus = {
  name: 'Focus',
  title:
    'Distance of the chosen subject, between the near limit (dashed) and the far one (dotted); red where it is soft',
  draw(found, { asked, store }) {
    if (!found.sharpness) return { says: store.byId.has(asked.subject) ? '' : 'choose a subject above' };
    const { metres, nearM, farM, soft } = found.sharpness;
    const top = most(metres) * HEADROOM;
    const lines = [
      { values: nearM, look: 'near' },
      { values: farM.map((v) => v ?? Infinity), look: 'far' },
      { values: metres.map((v) => Math.max(0, v)) },
    ];
    return { lines, top, scale: lengthText(top, 1), blocks: bad(soft) };
  },
  value(found, frame, { asked }) {
    if (!found.sharpness) return '';
    const metres = at(found, found.sharpness.metres, frame);
    const blur = at(found, found.sharpness.blur, frame);
    return blur === null ? 'behind the camera' : `${lengthText(metres, 2)}, ${fixed(blur * asked.pixels, 1)} px`;
  },
};

const clearance = {
  name: 'Clearance',
  title: 'Nearest distance of the camera to the set, and of its near plane (dashed); red where the set cuts it',
  draw({ clearance: found }) {
    const near = found.camera.filter((v) => v < found.farthest);
    if (!near.length) return { says: 'no piece within a kilometre' };
    const top = Math.min(most(near), Math.max(0.5, Math.min(...near) * 8));
    return {
      lines: [{ values: found.plane, look: 'near' }, { values: found.camera }],
      top,
      scale: lengthText(top, 1),
      blocks: [...bad(found.cuts), ...bad(found.passes)],
    };
  },
  value(found, frame, { store }) {
    const distance = at(found, found.clearance.camera, frame);
    const piece = store.byId.get(at(found, found.clearance.nearest, frame));
    return piece ? `${lengthText(distance, FINE_DIGITS)} · ${piece.name}` : '—';
  },
};

const keys = {
  name: 'Keys',
  title: 'Overshoot (diamonds), channels that creep (bars), frames at which only some of the rig is keyed (ticks)',
  draw(found, { desk }) {
    const { overshoots, creeps } = desk.findings();
    return {
      blocks: creeps.map((c) => ({ from: c.from, to: c.missing, look: 'creep' })),
      ticks: [
        ...(found.misaligned ?? []).map((m) => ({ frame: m.frame, look: 'misaligned', title: 'misaligned keys' })),
        ...overshoots.map((o) => ({ frame: o.frame, look: 'overshoot', title: 'overshoot' })),
      ],
    };
  },
  value(found, frame, { desk }) {
    const { overshoots, creeps } = desk.findings();
    const n = found.misaligned?.length ?? 0;
    const parts = [
      [overshoots.length, 'overshoot'],
      [creeps.length, 'creeping'],
      [n, 'misaligned'],
    ].filter(([count]) => count);
    return parts.map(([count, word]) => `${count} ${word}`).join(', ') || 'none';
  },
};

const dead = {
  name: 'Dead stretches',
  title: 'Within the move, where the camera as good as stands still',
  draw: (found) => ({ blocks: bad(found.dead) }),
  value: (found) => (found.dead ? `${found.dead.length} found` : 'none'),
};

const seam = {
  name: 'Seam',
  title: 'What the frame behind the last one does, against the first one',
  draw(found, { store }) {
    const look = found.seam.closes ? 'good' : 'bad';
    const ends = [
      { frame: found.in, look: `seam ${look}`, title: 'first frame' },
      { frame: found.out, look: `seam ${look}`, title: 'last frame' },
    ];
    const open = (found.open ?? []).map((o) => store.byId.get(o.node)?.name).filter(Boolean);
    const more = open.length > MOST_NAMED ? ` and ${open.length - MOST_NAMED} more` : '';
    const names = `${open.slice(0, MOST_NAMED).join(', ')}${more}`;
    return { ticks: ends, says: open.length ? `do not come back: ${names}` : '' };
  },
  value(found, frame, { asked }) {
    const { seam: is } = found;
    if (is.closes) return 'closes';
    return `${placeText(is.placeM)}, ${fixed(is.turnDeg, 2)}°, ${fixed(is.lens.widths * asked.pixels, 1)} px`;
  },
};

const inView = {
  name: 'In view',
  title: 'Where the chosen piece is in the picture: in part, whole, readable; grey where it is covered',
  draw(found, { asked, store }) {
    if (!found.inView) return { says: store.byId.has(asked.piece) ? '' : 'choose a piece above' };
    const { states, covered, heights, happenings } = found.inView;
    const blocks = [];
    for (let i = 0; i < states.length; i++) {
      const look = states[i] === 'out' ? '' : `${states[i]}${covered[i] > 0.5 ? ' covered' : ''}`;
      const last = blocks[blocks.length - 1];
      if (last && last.look === look) last.to = found.in + i;
      else blocks.push({ from: found.in + i, to: found.in + i, look });
    }
    return {
      blocks: blocks.filter((b) => b.look),
      lines: [{ values: heights }],
      top: Math.max(most(heights), 0.01),
      scale: `${Math.round(Math.max(most(heights), 0.01) * PERCENT)} % high`,
      ticks: happenings.map((each) => ({ frame: each.frame, look: 'happening', title: each.event })),
    };
  },
  value(found, frame, { asked, store }) {
    if (!found.inView) return '';
    const high = at(found, found.inView.heights, frame) * (asked.pixels / store.header.aspect);
    return high > 0 ? `${Math.round(high)} px high` : 'out of the picture';
  },
};

export const STRIPS = [pace, turn, picture, streak, focus, clearance, keys, dead, seam, inView];
