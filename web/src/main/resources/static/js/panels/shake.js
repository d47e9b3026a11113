// A layer of shake: how it shakes, how far and how often in each channel, its seed, and what it does.
import { button, h } from '../common/dom.js';
import { menuItem, openMenu } from '../common/menu.js';
import { toast } from '../common/toasts.js';
import { sayProblem } from '../shot/say-problem.js';
import { idOf, kindOf, partOf } from '../shot/parts.js';
import { effectPart } from './effect.js';
import { channelField, choice, heads, labelled, row } from './fields.js';
import { panelOf, windowPart } from './part-panel.js';
import { seedPart } from './shake-seeds.js';
import { tracesPart } from './shake-traces.js';
import { PartWork } from './part-work.js';

const WAYS = [
  ['handheld', 'Handheld'],
  ['swell', 'Swell'],
  ['jolt', 'Jolt'],
];
const LENS_CHANNELS = ['focal', 'focus'];
const LIKE_ALL = ['way', 'seed', 'loops', 'start'];
const BY_WAY = ['octaves', 'roughness', 'phases', 'beat', 'beatDepth', 'damping', 'hits', 'strewn'];
const SETTINGS = [...LIKE_ALL, ...BY_WAY];

export const shakePanel = {
  signature: (store, node, desk) => {
    const part = partOf(node, desk.card);
    return JSON.stringify([part?.id, part?.way, Boolean(part?.strewn), (part?.hits ?? []).map((hit) => hit.id)]);
  },

  build(store, desk, node) {
    const part = partOf(node, desk.card);
    const work = new PartWork(store, desk, node.id, idOf(part), SETTINGS);
    const parts = [
      wayPart(work),
      WAY_PARTS[part.way](work),
      ...(isStrewn(part) ? [seedPart(work)] : []),
      channelsPart(work, node, part),
      tracesPart(work),
      effectPart(store, desk, node.id, work.partId),
      timePart(work),
      windowPart(store, desk, node.id, work.partId),
      keepPart(work),
    ];
    return panelOf(store, desk, node, part, parts);
  },
};

/** Whether its seed makes a difference. */
const isStrewn = (part) => part.way === 'handheld' || Boolean(part.strewn);

function wayPart(work) {
  const way = choice('How it shakes', WAYS, (next) =>
    work.set(next === 'jolt' ? { way: next, ...STREWN } : { way: next }),
  );
  way.value = work.part.way;
  const opener = button('Start from…', () => openFeels(work, opener), {
    'aria-haspopup': 'menu',
    title: 'Layers with plain numbers to start from, by how they feel',
  });
  return { rows: [row('Shakes', way, opener)], refresh() {} };
}

const STREWN = { strewn: { rate: 0.5, unevenness: 0.6 } };

async function openFeels(work, opener) {
  const { feels } = work.desk;
  try {
    const all = await feels.all();
    const node = () => work.store.byId.get(work.id);
    const put = async (feel) => {
      const id = await feels.put(node(), work.partId, feel);
      if (id) work.desk.chooseCard(id);
    };
    openMenu(opener, 'Start from', [
      ...all.map((feel) => menuItem(feel.name, () => put(feel), says(feel))),
      ...all
        .filter((feel) => feel.kept)
        .map((feel) =>
          menuItem(`Forget ${feel.name}`, () => feels.forget(feel.name), 'no more kept by the production'),
        ),
    ]);
  } catch (problem) {
    toast(sayProblem(problem));
  }
}

const says = (feel) =>
  feel.says ?? `kept by the production, ${feel.layers.length === 1 ? '1 layer' : `${feel.layers.length} layers`}`;

/** Keeps all layers of the chain under a name. */
function keepPart(work) {
  const name = h('input', {
    type: 'text',
    'aria-label': 'Name to keep the layers under',
    placeholder: 'name',
    maxlength: 60,
  });
  const keep = async () => {
    if (!name.value.trim()) return name.focus();
    const layers = work.store.byId.get(work.id).chain.filter((part) => part.part === 'shake');
    try {
      await work.desk.feels.keep(name.value.trim(), layers);
      toast(`${name.value.trim()} is kept: Start from… has it in every shot of the production`);
      name.value = '';
    } catch (problem) {
      toast(sayProblem(problem));
    }
  };
  const title = 'Keeps all layers of shake of this chain in the production';
  return { rows: [row('Keep as', name, button('Keep', keep, { title }))], refresh() {} };
}

const WAY_PARTS = {
  handheld(work) {
    const fields = [
      work.setting('octaves', { label: 'Octaves', usual: 3, quantity: 'plain', digits: 0, step: 1, whole: true }),
      work.setting('roughness', { label: 'Roughness', usual: 0.4, quantity: 'plain', digits: 2, step: 0.05 }),
    ];
    return {
      rows: [row('Octaves', fields[0].element, labelled('rough', fields[1].element))],
      refresh: () => fields.forEach((each) => each.refresh()),
    };
  },

  swell(work) {
    const fields = [
      work.setting('beat', { label: 'Beat', quantity: 'frequency', unit: 'Hz', digits: 3, step: 0.01 }),
      work.setting('beatDepth', { label: 'Depth of the beat', usual: 0.3, quantity: 'plain', digits: 2, step: 0.05 }),
    ];
    return {
      rows: [row('Beat', fields[0].element, labelled('depth', fields[1].element))],
      refresh: () => fields.forEach((each) => each.refresh()),
    };
  },

  jolt: joltPart,
};

/** How it rings, when it is struck, and what else comes by chance. */
function joltPart(work) {
  const damping = work.setting('damping', { label: 'Damping', usual: 0.15, quantity: 'plain', digits: 2, step: 0.01 });
  const hit = button('Strike here', () => strike(work), { title: 'A hit at the playhead; drag its flag on the score' });
  const strewn = h('input', {
    type: 'checkbox',
    onchange: () => work.set({ strewn: strewn.checked ? STREWN.strewn : undefined }),
  });
  const chance = h('label', { title: 'Jolts at random times' }, strewn, 'by chance');
  const rows = [row('Rings', labelled('damping', damping.element), hit)];
  const fields = [damping];
  if (work.part.strewn) {
    const of = (name, options) =>
      work.number({
        get: () => work.part?.strewn?.[name] ?? 0,
        set: (value, done) => work.set({ strewn: { ...work.part.strewn, [name]: value } }, done),
        ...options,
      });
    const rate = of('rate', { label: 'Jolts a second', quantity: 'plain', unit: '/s', digits: 2, step: 0.1 });
    const uneven = of('unevenness', { label: 'How uneven they are', quantity: 'plain', digits: 2, step: 0.05 });
    fields.push(rate, uneven);
    rows.push(row('Jolts', chance, rate.element, labelled('uneven', uneven.element)));
  } else rows.push(row('Jolts', chance, h('span')));
  return {
    rows,
    refresh() {
      strewn.checked = Boolean(work.part?.strewn);
      fields.forEach((each) => each.refresh());
    },
  };
}

function strike(work) {
  const hits = [...(work.part.hits ?? []), { id: work.store.freeId('hit'), frame: work.desk.frame }];
  return work.set({ hits: hits.sort((a, b) => a.frame - b.frame) });
}

/** How far and how often each channel goes; of a swell also where it begins. */
function channelsPart(work, node, part) {
  const { store, desk, id } = work;
  const parameters = kindOf(part).parameters.filter((p) => p.id !== 'weight' && !p.id.endsWith('Hz'));
  const shown = parameters.filter((p) => node.kind === 'camera' || !LENS_CHANNELS.includes(p.id));
  const swells = part.way === 'swell';
  const parts = shown.map((p, i) => {
    const far = channelField(store, desk, id, `${part.id}.${p.id}`);
    const often = channelField(store, desk, id, `${part.id}.${p.id}Hz`);
    const phase = swells ? [phaseField(work, p, i)] : [];
    return { fields: [far, often, ...phase], element: row(p.label, ...[far, often, ...phase].map((f) => f.element)) };
  });
  const weight = channelField(store, desk, id, `${part.id}.weight`);
  return {
    rows: [
      row('Weight', weight.element, h('span')),
      swells ? heads('how far', 'how often', 'begins at') : h('div', { class: 'row two' }, ...headsOfTwo()),
      ...parts.map((each) => each.element),
    ],
    refresh() {
      weight.refresh();
      parts.forEach((each) => each.fields.forEach((field) => field.refresh()));
    },
  };
}

const headsOfTwo = () => ['', 'how far', 'how often'].map((text) => h('span', { class: text && 'heads', text }));

function phaseField(work, parameter, i) {
  const phases = () => work.part?.phases ?? [];
  return work.number({
    label: `${parameter.label} begins at`,
    quantity: 'angle',
    unit: '°',
    digits: 1,
    step: 5,
    get: () => phases()[i] ?? 0,
    set: (value, done) => work.set({ phases: phases().map((was, k) => (k === i ? value : was)) }, done),
  });
}

/** Whether it closes with the loop, and from which frame its cycles are counted. */
function timePart(work) {
  const loops = h('input', { type: 'checkbox', onchange: () => work.set({ loops: loops.checked }) });
  const tick = h(
    'label',
    { title: 'Closes over the range of the shot; frequencies are rounded to whole cycles, shown beside the traces' },
    loops,
    'loops over the shot',
  );
  const start = work.setting('start', {
    label: 'Frame from which it is counted',
    quantity: 'frames',
    unit: 'f',
    digits: 1,
    step: 1,
  });
  return {
    rows: [row('Time', tick, labelled('from', start.element))],
    refresh() {
      loops.checked = Boolean(work.part?.loops);
      start.refresh();
    },
  };
}
