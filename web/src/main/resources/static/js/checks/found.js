// What was found, as a list: where it is, in words, and what can be done about it.
import { button, h } from '../common/dom.js';
import { fixed, stop, trimmed } from '../common/format.js';
import { lengthText } from '../common/units.js';
import { creep, overshoot } from '../panels/findings.js';
import { parameterOf } from '../shot/parts.js';
import {
  closeSeam,
  focusAt,
  hasKeys,
  letItLoop,
  playAt,
  revealAt,
  runThrough,
  setPeriod,
  stopDown,
  takeOut,
} from './remedies.js';

const MOST_LISTED = 12;
const MM = 1000;
const PICTURES = 'pictures';
const SEEN_OFF = 1e-5; // less than this is not worth a number
/** @type {Record<string, string>} */
const EVENTS = {
  enters: 'enters the picture',
  whole: 'is whole in it',
  readable: 'can be read',
  covered: 'is covered',
  clear: 'is clear again',
  leaves: 'leaves the picture',
};

const stretch = ({ from, to }) => (from === to ? `at ${from}` : `${from} to ${to}`);

/** A line of the list. @param {any[]} remedies */
function line(text, go, remedies = [], look = '') {
  return h(
    'li',
    { class: look },
    h('button', { type: 'button', class: 'quiet go', text, title: text, onclick: go }),
    ...remedies,
  );
}

/** Goes to a frame, with the camera selected. */
const goTo = (desk, frame, id) => () => {
  desk.select(id ?? desk.camera);
  desk.goTo(frame);
};

/** Small steps in millimetres, however lengths are shown. */
export const placeText = (metres) => (metres < 1 ? `${fixed(metres * MM, 2)} mm` : lengthText(metres, 2));

function seamLines(checks) {
  const { desk, found, store, asked } = checks;
  const { seam } = found;
  if (seam.closes)
    return [
      line('The seam closes: behind the last frame the camera is as at the first', goTo(desk, found.out), [], 'good'),
    ];
  const parts = [
    placeText(seam.placeM),
    `${fixed(seam.turnDeg, 3)}°`,
    `${fixed(seam.speedM, 3)} m/s`,
    `${fixed(seam.turnSpeedDeg, 2)} °/s`,
    `${fixed(seam.lens.widths * asked.pixels, 1)} px in focus`,
  ];
  if (seam.lens.focalMm > 0) parts.push(`${fixed(seam.lens.focalMm, 2)} mm of lens`);
  return [
    line(`The seam is open: ${parts.join(', ')}`, goTo(desk, found.out), [
      button('Close the seam', () => closeSeam(checks), {
        title: 'A key behind the last frame, where the first one is, as fast as there',
      }),
      button('Find the period', () => checks.findPeriods(), {
        title: 'Lengths at which the picture comes back by itself',
      }),
    ]),
    ...periodLines(checks, store),
  ];
}

/** How a period came about, in words. */
function by(store, { repeat, steps }) {
  const node = store.byId.get(repeat);
  return node ? `${Math.abs(steps)} ${Math.abs(steps) === 1 ? 'step' : 'steps'} of ${node.name}` : 'it has come round';
}

function periodLines(checks, store) {
  const { periods, asked, found } = checks;
  if (!periods) return [];
  if (!periods.length) return [line('The picture comes back at no length that was tried', () => {})];
  return periods.map((period) => {
    const names = period.open.map((id) => store.byId.get(id)?.name).filter(Boolean);
    const but = names.length ? `; but not ${names.join(', ')}` : '';
    const seen = period.differs === undefined ? '' : ` and ${fixed(period.differs, 2)} % of it`;
    const off = `${fixed(period.widths * asked.pixels, 2)} px${seen} off`;
    const text = `After ${period.frames} frames, ${off}: ${by(store, period)}${but}`;
    const set = () => {
      checks.ask(period.repeat ? { repeat: period.repeat, steps: period.steps } : { repeat: '' });
      return store.edit([{ edit: 'change-header', in: found.in, out: period.out }], 'Set the loop');
    };
    const there = period.out === found.out;
    const take = button(`Out ${period.out}`, set, { title: `A loop of ${period.frames} frames` });
    take.disabled = there;
    return line(text, () => checks.desk.goTo(period.out), [take]);
  });
}

function openLines(checks) {
  const { desk, found, store } = checks;
  return (found.open ?? []).slice(0, MOST_LISTED).map((open) => {
    const node = store.byId.get(open.node);
    const what = open.seam.comesBack ? lookOf(node, open) : node?.name;
    const period = open.period ? `${trimmed(open.period, 2)} frames` : '';
    const text = open.would
      ? `${what}: every ${period}, the loop needs ${trimmed(open.would, 2)}`
      : `${what} does not come back with the loop: ${offText(node, open.seam)}`;
    return line(text, goTo(desk, found.out, open.node), comeBack(checks, open, node));
  });
}

/** What of a node looks otherwise at the seam, as it is called in a sentence. */
function lookOf(node, { seam }) {
  const names = (seam.looks ?? []).map(({ name }) =>
    name === PICTURES ? 'what is shown' : parameterOf(node, name).name,
  );
  return names.length ? `On ${node.name}, ${names.join(' and ')}` : node?.name;
}

/** How far off it is, in all that is off. */
function offText(node, seam) {
  const parts = [
    [seam.placeM, lengthText(seam.placeM, 3)],
    [seam.turnDeg, `${fixed(seam.turnDeg, 2)}°`],
    [seam.speedM, `${fixed(seam.speedM, 3)} m/s`],
    [seam.turnSpeedDeg, `${fixed(seam.turnSpeedDeg, 2)} °/s`],
    ...(seam.looks ?? []).flatMap((look) => lookParts(node, look)),
  ];
  const off = parts.filter(([value]) => value > SEEN_OFF).map(([, text]) => text);
  return `${off.join(' and ') || 'a little'} off`;
}

/** What is off of a look: its value and how fast it changes. */
function lookParts(node, { name, off, speed }) {
  const unit = name === PICTURES ? 'pictures' : parameterOf(node, name).unit;
  return [
    [off, `${trimmed(off, 3)} ${unit}`.trim()],
    [speed, `${trimmed(speed, 3)} ${unit}/s`],
  ];
}

/** What makes it come back with the loop. */
function comeBack(checks, open, node) {
  const plays = (open.seam.looks ?? []).some(({ name }) => name === PICTURES);
  if (plays) return open.rate ? [atRate(checks, open, node)] : [];
  return [movedBack(checks, open, node)];
}

/** Pictures that come back when they play a little faster or slower. */
const atRate = (checks, { rate }, node) =>
  button('Let it loop', () => playAt(checks, node, rate), {
    title: 'It repeats, a little faster or slower, so that it comes back with the loop',
  });

function movedBack(checks, open, node) {
  if (node?.kind === 'sun' && !open.seam.comesBack) return rideAlong(checks, node);
  if (node?.kind === 'mist' && !node.mist.loops)
    return button('Let it loop', () => letItLoop(checks, node), {
      title: 'Its speed is rounded so that it comes back',
    });
  if (!open.would)
    return button('Close it', () => closeSeam(checks, [open.node]), { title: 'A key behind the last frame' });
  const every = `Every ${trimmed(open.would, 2)}`;
  return button(every, () => setPeriod(checks, open), { title: 'Stretch its keys to that' });
}

/** A light that has to go along with the camera. */
function rideAlong({ desk, store }, node) {
  const rig = store.carriersOf(desk.camera);
  const by = rig[rig.length - 1];
  const ride = () => desk.nodes.carry([node.id], by.id, 'place');
  const take = button(by ? `Ride on ${by.name}` : 'Nothing carries the camera', ride, {
    title: 'The light goes along with what carries the camera',
  });
  take.disabled = !by;
  return take;
}

function clearanceLines({ desk, found, store }) {
  const { camera, cuts = [], nearest, passes = [] } = found.clearance;
  const name = (frame) => store.byId.get(nearest[frame - found.in])?.name ?? 'the set';
  const show = (frame) => {
    const id = nearest[frame - found.in];
    return store.byId.has(id) ? [button(`Select ${name(frame)}`, goTo(desk, frame, id))] : [];
  };
  const lines = [
    ...passes.map((p) =>
      line(`The camera goes through ${name(p.from)} at ${p.from}`, goTo(desk, p.from), show(p.from), 'bad'),
    ),
    ...cuts.map((c) =>
      line(`The set cuts into the picture, ${stretch(c)}: ${name(c.from)}`, goTo(desk, c.from), show(c.from), 'bad'),
    ),
  ].slice(0, MOST_LISTED);
  const least = camera.reduce((best, v, i) => (v < camera[best] ? i : best), 0);
  const far = camera[least] >= found.clearance.farthest;
  if (!far) {
    const frame = found.in + least;
    const text = `Nearest to the set at ${frame}: ${lengthText(camera[least], 3)} to ${name(frame)}`;
    lines.push(line(text, goTo(desk, frame), show(frame)));
  }
  return lines;
}

/** Where the chosen subject is not sharp, and what would hold it. */
function softLines(checks) {
  const { asked, desk, found, store } = checks;
  const name = store.byId.get(asked.subject)?.name;
  return (found.sharpness?.soft ?? []).slice(0, MOST_LISTED).map((soft) => {
    const { how, moreM, worst, fStop } = soft;
    if (how === 'behind') return line(`${name} is not before the camera, ${stretch(soft)}`, goTo(desk, worst));
    const by = `${lengthText(Math.abs(moreM))} ${moreM > 0 ? 'farther' : 'nearer'}`;
    const blur = found.sharpness.blur[worst - found.in] * asked.pixels;
    const text = `${name} is soft, ${stretch(soft)}: ${fixed(blur, 1)} px at ${worst}`;
    const remedies = [
      button(`Focus ${by}`, () => focusAt(checks, soft), {
        title: `At ${worst}, where it is farthest off, it is then just sharp`,
      }),
    ];
    if (fStop)
      remedies.push(
        button(stop(fStop), () => stopDown(checks, soft), {
          title: 'Holds it in all of these frames, as it is focused',
        }),
      );
    return line(text, goTo(desk, worst), remedies);
  });
}

function paceLines(checks) {
  const { desk, found } = checks;
  const slower = (j) => {
    desk.setRange({ from: j.from, to: j.to });
    desk.showTab('timing');
  };
  return [
    ...(found.judder ?? []).slice(0, MOST_LISTED).map((j) => {
      const text = `Judder, ${stretch(j)}: a width in ${fixed(j.seconds, 1)} s; calm from ${fixed(j.least, 1)} s`;
      return line(text, goTo(desk, j.from), [
        button('Slower', () => slower(j), { title: 'Choose these frames, and stretch them under Timing' }),
      ]);
    }),
    ...(found.dead ?? [])
      .slice(0, MOST_LISTED)
      .map((d) =>
        line(`The move stands still, ${stretch(d)}`, goTo(desk, d.from), [
          button('Run through', () => runThrough(checks, d), { title: 'Keys there get flowing tangents; none moves' }),
          button('Take out', () => takeOut(checks, d), { title: 'What comes later moves up' }),
        ]),
      ),
  ];
}

function keyLines(checks) {
  const { desk, found, store } = checks;
  const { overshoots, creeps } = desk.findings();
  const names = (ids) => ids.map((id) => store.byId.get(id)?.name).join(', ');
  const align = () => store.edit([{ edit: 'align-keys', id: desk.camera }]);
  return [
    ...creeps.slice(0, MOST_LISTED).map((c) => creep(store, desk, c)),
    ...overshoots.slice(0, MOST_LISTED).map((o) => overshoot(store, desk, o)),
    ...(found.misaligned ?? []).slice(0, MOST_LISTED).map((m) => {
      const text = `At ${trimmed(m.frame, 2)} ${names(m.keyed)} is keyed, ${names(m.missing)} is not`;
      return line(text, goTo(desk, m.frame, m.missing[0]), [
        button('Align keys', align, { title: 'A key of the whole rig at every key; the motion stays' }),
      ]);
    }),
  ];
}

function viewLines(checks) {
  const { asked, desk, found, store } = checks;
  const piece = store.byId.get(asked.piece);
  if (!found.inView || !piece) return [];
  return found.inView.happenings.map(({ event, frame }) =>
    line(
      `${piece.name} ${EVENTS[event]} at ${frame}`,
      goTo(desk, frame, piece.id),
      hasKeys(piece)
        ? [
            button('Reveal here', () => revealAt(checks, piece.id, frame), {
              title: 'Its first key comes to stand here',
            }),
          ]
        : [],
    ),
  );
}

/** All lines, the gravest first. */
/** Where only needed frames are looked at: whether there are any. */
const neededLines = ({ asked, desk, found, store }) =>
  asked.needed && store.program.length && !found.lookedAt
    ? [h('li', { text: `${store.byId.get(desk.camera)?.name} is not in the program: nothing is looked at.` })]
    : [];

export const foundLines = (checks) => [
  ...neededLines(checks),
  ...clearanceLines(checks),
  ...softLines(checks),
  ...seamLines(checks),
  ...openLines(checks),
  ...paceLines(checks),
  ...keyLines(checks),
  ...viewLines(checks),
];
