// Focus that is pulled: its marks with their distances, and the pulls between them.
import { button, h } from '../common/dom.js';
import { framesPerSecond } from '../common/format.js';
import { isOn, lasting, markOf, plusMark, plusPull, withMark } from '../shot/focus.js';
import { aimedAt } from '../shot/targets.js';
import { choice, labelled, row } from './fields.js';
import { pickMark } from './focus-pick.js';
import { NumberField } from './number-field.js';

const ALONG = [
  ['ring', 'even on the ring'],
  ['metres', 'even in metres'],
];
const ALONG_SAYS = 'Even on the ring: as a lens is turned, slow while it is near. Even in metres: as fast near as far.';
/** Pulls whose ease and hunt are shown. @type {Set<string>} */
const unfolded = new Set();

const NO_HUNT = { reach: 0, hz: 3, damping: 0.3 };

/** What is pulled between, and when. @param {HTMLSelectElement} focusOn the choice of where focus comes from */
export function pullsPart(store, desk, id, lens, focusOn) {
  const work = {
    store,
    desk,
    id,
    now: () => lens.now().pulls,
    set: (pulls, done = true) => lens.set({ pulls }, done),
  };
  const along = choice('What is even between two marks', ALONG, (value) => work.set({ ...work.now(), along: value }));
  along.title = ALONG_SAYS;
  along.value = work.now().along;
  const marks = work.now().marks.map((mark) => markRow(work, mark));
  const pulls = work.now().by.map((pull) => pullRows(work, pull));
  return {
    rows: [
      row('Focus', focusOn, along),
      ...marks.map((each) => each.element),
      newMark(work),
      ...pulls.map((each) => each.element),
      newPull(work),
    ],
    refresh: () => [...marks, ...pulls].forEach((each) => each.refresh()),
  };
}

function markRow(work, { id, name }) {
  const now = () => work.now()?.marks.find((mark) => mark.id === id);
  const change = (to, done) => work.set(withMark(work.now(), id, to), done);
  const called = h('input', {
    type: 'text',
    maxlength: '60',
    'aria-label': `Name of the mark ${name}`,
    onchange: (event) => event.target.value.trim() && change({ name: event.target.value.trim() }, true),
  });
  called.value = name;
  const metres = metresField(work, name, now, change);
  const on = onChoice(work, name, now);
  const used = work.now().by.some((pull) => pull.mark === id) || work.now().marks.length === 1;
  const gone = () => work.set({ ...work.now(), marks: work.now().marks.filter((mark) => mark.id !== id) });
  const away = button('×', gone, {
    class: 'away',
    title: used ? 'A pull goes to it' : 'Take this mark away',
    'aria-label': `Take the mark ${name} away`,
    disabled: used ? '' : undefined,
  });
  const element = row('Mark', called, metres.element, h('span', { class: 'with-away' }, on, away));
  element.classList.add('handed');
  return { element, refresh: () => metres.refresh() };
}

/** The distance of a mark, or how far off it is from what it is on. */
function metresField(work, name, now, change) {
  const offset = isOn(now());
  return new NumberField({
    label: offset ? `Offset of the mark ${name}` : `Distance of the mark ${name}`,
    quantity: 'length',
    unit: 'm',
    digits: 3,
    step: 0.05,
    usual: offset ? 0 : undefined,
    rate: () => work.store.header.rate,
    get: () => now()?.metres ?? now()?.offsetM ?? 0,
    set: (value, done) => change(offset ? { offsetM: value } : { metres: value }, done),
  });
}

function onChoice(work, name, now) {
  const { store, id } = work;
  const nodes = store.nodes.filter((node) => node.id !== id);
  const options = [['', 'metres'], ...nodes.map((node) => [node.id, `on ${node.name}`])];
  if (now().place) options.push(['place', 'on a place']);
  const on = choice(`What the mark ${name} is on`, options, (node) => {
    const { id: mark, name: called } = now();
    const metres = store.lens(id, work.desk.frame)?.focusM ?? 5;
    const next = { id: mark, name: called, ...(node ? { ...aimedAt(store, node), offsetM: 0 } : { metres }) };
    return work.set({ ...work.now(), marks: work.now().marks.map((each) => (each.id === mark ? next : each)) });
  });
  on.value = now().node ?? (now().place ? 'place' : '');
  return on;
}

function newMark(work) {
  const { store, desk, id } = work;
  const here = () => {
    const metres = store.lens(id, desk.frame)?.focusM;
    if (metres) work.set(plusMark(work.now(), { name: `Mark ${work.now().marks.length + 1}`, metres }));
  };
  return row(
    '',
    button('Mark here', here, { title: 'Another mark, at the distance that focus has at the playhead' }),
    button('Pick a mark', () => pickMark(store, desk, id), { title: 'Press in the picture what it is on' }),
  );
}

function pullRows(work, { id }) {
  const now = () => work.now()?.by.find((pull) => pull.id === id);
  const change = (to, done) =>
    work.set({ ...work.now(), by: work.now().by.map((pull) => (pull.id === id ? { ...pull, ...to } : pull)) }, done);
  const name = markOf(work.now(), now()).name;
  const frames = (label, get, set) =>
    new NumberField({
      label: `${label} of the pull to ${name}`,
      quantity: 'frames',
      unit: 'f',
      digits: 1,
      step: 1,
      rate: () => work.store.header.rate,
      get,
      set,
    });
  const at = frames(
    'First frame',
    () => now()?.frame ?? null,
    (frame, done) => change({ frame }, done),
  );
  const over = frames(
    'Length',
    () => now()?.frames ?? null,
    (value, done) => change(lasting(now(), Math.max(0, value)), done),
  );
  const shape = shapePart(work, name, now, change, frames);
  const line = row('', labelled('at', at.element), labelled('over', over.element), target(work, now, change));
  line.firstChild.replaceWith(unfolding(`${work.id} ${id}`, name, shape.rows));
  line.classList.add('handed');
  const element = h('div', { class: 'rows' }, line, ...shape.rows);
  return { element, refresh: () => [at, over, shape].forEach((each) => each.refresh()) };
}

/** Shows and hides how a pull eases and hunts; those that are open stay so when the panel is built anew. */
function unfolding(key, name, rows) {
  const show = () => {
    const open = unfolded.has(key);
    for (const each of rows) each.hidden = !open;
    press.setAttribute('aria-expanded', String(open));
    press.textContent = open ? 'Pull ▾' : 'Pull ▸';
  };
  const press = button(
    '',
    () => {
      if (!unfolded.delete(key)) unfolded.add(key);
      show();
    },
    { class: 'unfolds', title: 'Its ease, and its hunt', 'aria-label': `Ease and hunt of the pull to ${name}` },
  );
  show();
  return press;
}

/** The mark that a pull goes to, and the button that takes the pull away. */
function target(work, now, change) {
  const marks = work.now().marks.map((mark) => [mark.id, `to ${mark.name}`]);
  const to = choice('Mark that is pulled to', marks, (mark) => change({ mark }, true));
  to.value = now().mark;
  const { id: stamp } = now();
  const gone = () => work.store.edit([{ edit: 'remove-stamp', id: work.id, part: 'lens', stamp }]);
  const away = button('×', gone, { class: 'away', title: 'Take this pull away', 'aria-label': 'Take this pull away' });
  return h('span', { class: 'with-away' }, to, away);
}

/** How a pull gets going and comes to rest, and how it hunts. */
function shapePart(work, name, now, change, frames) {
  const ease = (index, label) =>
    frames(
      label,
      () => now()?.ease[index] ?? null,
      (value, done) => change({ ease: now().ease.map((v, i) => (i === index ? Math.max(0, value) : v)) }, done),
    );
  const hunting = () => now()?.hunt ?? NO_HUNT;
  const hunt = (field, label, options) =>
    new NumberField({
      label: `${label} of the pull to ${name}`,
      rate: () => work.store.header.rate,
      get: () => hunting()[field] * (options.times ?? 1),
      set: (value, done) => change({ hunt: { ...hunting(), [field]: value / (options.times ?? 1) } }, done),
      ...options,
    });
  const fields = [
    ease(0, 'Ease out of the mark before'),
    ease(1, 'Ease into the mark'),
    hunt('reach', 'Hunt', { quantity: 'plain', unit: '%', digits: 1, step: 1, times: 100, usual: 0 }),
    hunt('hz', 'Rate of the hunt', { quantity: 'frequency', unit: 'Hz', digits: 1, step: 0.1, usual: 3 }),
    hunt('damping', 'Damping of the hunt', { quantity: 'plain', unit: '', digits: 2, step: 0.05, usual: 0.3 }),
  ];
  const [easeIn, easeOut, reach, hz, damping] = fields.map((field) => field.element);
  return {
    rows: [
      row('Eases', labelled('out', easeIn), labelled('in', easeOut)),
      row('Hunts', labelled('past', reach), labelled('at', hz), labelled('damped', damping)),
    ],
    refresh: () => fields.forEach((field) => field.refresh()),
  };
}

function newPull(work) {
  const { store, desk } = work;
  const options = [['', 'at the playhead to …'], ...work.now().marks.map((mark) => [mark.id, mark.name])];
  const to = choice('Pull at the playhead to', options, (mark) => {
    if (mark) work.set(plusPull(work.now(), mark, Math.round(desk.frame), framesPerSecond(store.header.rate)));
  });
  return row('New pull', to);
}
